import type { LocalText } from '../text';
import type { MeasureName, Measures } from './measures';

/** Grading factors that practitioners turn to make a task easier or harder; the names are the field's, the levels each task's own. */
export const KNOB_IDS = [
  'help',
  'visualCue',
  'markMaking',
  'tool',
  'itemSize',
  'itemCount',
  'hands',
  'inHand',
  'resistance',
  'surface',
  'precision',
  'position',
  'chain',
  'tempo',
  'stakes',
  'texture',
  'material',
  'order',
] as const;

export type KnobId = (typeof KNOB_IDS)[number];

/** A knob of the field, or one that a task adds of its own (`own:shape`). */
export type KnobKey = KnobId | `own:${string}`;

export type KnobLevel = LocalText & {
  /** Which of the field's usual levels this is (`handOverHand`, `traced`), where it is one. */
  readonly usual?: string | undefined;
  readonly measures?: Measures | undefined;
  /** Materials, by id, without which a home cannot offer this level. */
  readonly needs?: readonly string[] | undefined;
};

/** A knob as one task has it. */
export interface TaskKnob {
  readonly knob: KnobKey;
  /** Name of a grading factor that only this task has. */
  readonly name?: LocalText | undefined;
  /** Levels, easiest first; at least two. */
  readonly levels: readonly KnobLevel[];
  /** Share of this knob in the demand, above 0; 1 where nothing is said. */
  readonly weight?: number | undefined;
}

/** Grade of a step: the index of each knob's level, 0 the easiest. A knob that is not named is at 0. */
export type Grade = Readonly<Partial<Record<KnobKey, number>>>;

export interface FieldKnob {
  /** The field's usual levels, easiest first: offered when a task is made, never forced on it. */
  readonly usual: readonly string[];
  /** Physical measures that a level of this knob may carry. */
  readonly measures: readonly MeasureName[];
}

/**
 * The field's knobs with the levels that are usual. The levels' words are in messages/ under `levels`.
 * Source: common practice, no published source.
 */
export const FIELD_KNOBS: Readonly<Record<KnobId, FieldKnob>> = {
  help: { usual: ['handOverHand', 'wristSupport', 'shown', 'pointed', 'words', 'alone'], measures: [] },
  visualCue: { usual: ['fullDots', 'fewerDots', 'endDots', 'box', 'noCue'], measures: [] },
  markMaking: { usual: ['guided', 'traced', 'imitated', 'copied', 'remembered'], measures: [] },
  tool: { usual: ['finger', 'softThreeFingers', 'shortCrayon', 'fullPencil', 'wideTongs', 'thinTongs'], measures: ['massG', 'forceN'] },
  itemSize: { usual: ['large', 'medium', 'small', 'longThin'], measures: ['itemMm', 'openingMm', 'massG'] },
  itemCount: { usual: ['few', 'some', 'many'], measures: ['count', 'pathLengthMm'] },
  hands: { usual: ['tableTakesLoad', 'twoPalms', 'bothFingertips', 'oneFingertips', 'helperNotNeeded', 'helperNeeded'], measures: [] },
  inHand: { usual: ['oneAtATime', 'oneHeld', 'twoHeld'], measures: ['count'] },
  resistance: { usual: ['loose', 'medium', 'firm'], measures: ['forceN', 'massG'] },
  surface: { usual: ['flatTaped', 'flatHeld', 'upright', 'worn', 'inTheAir'], measures: [] },
  precision: {
    usual: ['wide', 'medium', 'narrow', 'nearEdge'],
    measures: ['openingMm', 'distanceMm', 'pathLengthMm', 'pathWidthMm', 'pathEndWidthMm'],
  },
  position: { usual: ['lying', 'sittingSupported', 'sitting', 'standing', 'moving'], measures: ['distanceMm'] },
  chain: { usual: ['oneMove', 'twoSteps', 'fourSteps'], measures: ['count'] },
  tempo: { usual: ['noHurry', 'countedInTime'], measures: ['count', 'seconds'] },
  stakes: { usual: ['unbreakable', 'squashable', 'breakable'], measures: ['forceN'] },
  texture: { usual: ['dry', 'sealed', 'withTool', 'fingertip', 'wholeHand'], measures: [] },
  material: { usual: ['stiffCard', 'plainPaper', 'softPaper', 'stiffLoop', 'limpString'], measures: [] },
  // Painting a shape before it is cut is easier than after.
  order: { usual: ['easierFirst', 'harderFirst'], measures: [] },
};

export function isFieldKnob(knob: string): knob is KnobId {
  return (KNOB_IDS as readonly string[]).includes(knob);
}
