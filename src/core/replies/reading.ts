import type { CalendarDay } from '../calendar';
import type { SessionFacts } from '../reports';
import type { DoseUnit } from '../dose';

/** A task as a reply may name it. */
export interface ReplyTask {
  readonly taskId: number;
  /** Its letter on slip and message; null where it goes by its name alone. */
  readonly letter: string | null;
  /** Titles in each language that the family may use. */
  readonly titles: readonly string[];
  readonly unit: DoseUnit;
  /** Whether each hand or foot has its own turn. */
  readonly perSide: boolean;
  /** Asked in a day: in all, and of each side where it is per side; 0 where nothing is asked. */
  readonly perDay: number;
  readonly perHand: number;
}

/** A reply about one task on one day: the part of a report that words can give. */
export interface ReplyItem extends Pick<
  SessionFacts,
  'doneOn' | 'done' | 'left' | 'right' | 'amount' | 'minutes' | 'help' | 'effort' | 'stopReason'
> {
  readonly taskId: number;
}

/** The one question that is asked back. */
export type AskBack =
  /** The number may be of each side, or of both together. */
  | { readonly code: 'sideOrAll'; readonly item: ReplyItem; readonly given: number }
  /** How many of this task? Nothing, or nothing sure, was said. */
  | { readonly code: 'howMany'; readonly item: ReplyItem }
  /** A number without a task. */
  | { readonly code: 'whichTask'; readonly given: number; readonly doneOn: CalendarDay }
  | { readonly code: 'unclear' };

export interface ReplyReading {
  /**
   * `danger`: words of injury or illness, whatever else it says; `reports`: `items` are sure; `ask`: something is in doubt (sure items are
   * given all the same); `stop`: no more messages; `nothing`: thanks and the like; `person`: somebody has to read it.
   */
  readonly kind: 'danger' | 'reports' | 'ask' | 'stop' | 'nothing' | 'person';
  readonly items: readonly ReplyItem[];
  readonly ask: AskBack | null;
  /** A question stands in it, with its mark or without. */
  readonly isQuestion: boolean;
  /** Words that no reader understood, tears, a plan, a question: a person reads them, whatever else was filed. */
  readonly hasComment: boolean;
  /** The tasks that it names, sure or not; of danger, the ones that each clause with harm names, or none where it may be any. */
  readonly named: readonly number[];
}
