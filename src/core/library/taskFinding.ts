import type { KnobKey } from '../knobs';
import type { LadderFinding } from '../ladder';
import type { LocalText } from '../text';
import type { WordingFinding, WordingLanguage } from '../wording';

/** `path` is the place in the task's content, so that a screen shows the finding beside the field that it speaks of. */
export type TaskFinding =
  | (Placed & { readonly code: 'ladder'; readonly finding: LadderFinding })
  | (Placed & { readonly code: 'wording'; readonly language: WordingLanguage; readonly finding: WordingFinding })
  /** Texts that a family with this language reads in English. */
  | (Placed & { readonly code: 'untranslated'; readonly language: WordingLanguage; readonly count: number })
  /** A step says another number than it asks for. */
  | (Placed & { readonly code: 'numberNotTarget'; readonly language: WordingLanguage; readonly said: number; readonly asked: number })
  /** A step speaks of the one before it. */
  | (Placed & { readonly code: 'leansOnStepBefore'; readonly language: WordingLanguage; readonly said: string })
  /** A step says both hands, and counts each for itself. */
  | (Placed & { readonly code: 'handsNotTarget'; readonly language: WordingLanguage })
  /** On the table map lies what is not in the list of what is needed. */
  | (Placed & { readonly code: 'placeNotNeeded'; readonly thing: LocalText; readonly step: number })
  /** The title names what can hurt, and no thing brings it. */
  | (Placed & { readonly code: 'titleNamesHazard'; readonly said: string })
  | (Placed & { readonly code: 'stepsOutside'; readonly count: number })
  | (Placed & { readonly code: 'knobTwice' | 'ownKnobUnnamed'; readonly knob: KnobKey })
  | (Placed & { readonly code: 'agesTurned'; readonly from: number; readonly to: number })
  | (Placed & { readonly code: 'longDose'; readonly minutes: number; readonly most: number })
  | (Placed & { readonly code: 'heavyOverCap'; readonly repetitions: number; readonly cap: number })
  | (Placed & { readonly code: 'noPiecesMaterial'; readonly pieces: number })
  | (Placed & { readonly code: 'materialTwice' | 'noShape'; readonly thing: LocalText })
  | (Placed & {
      readonly code: 'materialOffLadder';
      readonly thing: LocalText;
      readonly from: number;
      readonly to: number;
      readonly count: number;
    })
  | (Placed & { readonly code: 'needUnknown'; readonly knob: KnobKey; readonly id: string })
  | (Placed & { readonly code: 'substituteOffKnob'; readonly thing: LocalText; readonly knob: KnobKey })
  | (Placed & { readonly code: 'substituteBreaks'; readonly thing: LocalText; readonly step: number })
  | (Placed & { readonly code: 'noTwin'; readonly trait: 'scissors' | 'food' })
  | (Placed & { readonly code: 'noCue' })
  /** A setting that the task says it knows, but that would change nothing. */
  | (Placed & { readonly code: 'idleSetting'; readonly setting: 'shapeOrder' | 'markOrder' });

export interface Placed {
  readonly severity: 'error' | 'warning' | 'note';
  readonly path: string;
}
