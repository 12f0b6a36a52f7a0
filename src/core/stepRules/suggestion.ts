import type { CalendarDay } from '../calendar';
import type { DatedSession } from '../reports';
import type { Rule } from './rules';

export interface TaskStanding {
  readonly sessions: readonly DatedSession[];
  readonly currentStep: number;
  /** The version that set the current step: what was done under an earlier one is no evidence for it. */
  readonly stepSinceVersion: number;
  readonly stepCount: number;
  readonly today: CalendarDay;
  /** Reports that have closed the task, and that nobody has lifted yet. */
  readonly stopReportIds: readonly number[];
}

/** `stuck`: the way up was tried and failed before; the same jump is not suggested once more. */
export type Move = 'up' | 'down' | 'hold' | 'holdForPerson' | 'ladderEnd' | 'stuck';

/** Changes that would have led to another answer. */
export type WhatWouldChange =
  | {
      readonly code:
        | 'oneNotReached'
        | 'oneNotStruggled'
        | 'fewerReached'
        | 'fewerStruggled'
        | 'withinBand'
        | 'personReads'
        | 'anotherWay'
        | 'helpTold'
        | 'older';
    }
  | { readonly code: 'moreNeeded'; readonly reached: number; readonly days: number }
  /** More sessions, before the rule says anything at all: none where it looked at enough of them. */
  | { readonly code: 'sessionsNeeded'; readonly sessions: number };

export interface Suggestion {
  readonly move: Move;
  /** The step that the move leads to; the present one for all that hold. */
  readonly toStep: number;
  readonly rule: Rule;
  readonly evidence: {
    /** The reports that the move rests on, oldest first. */
    readonly reportIds: readonly number[];
    readonly sessionsAtStep: number;
    readonly reachedInARow: number;
    readonly reachedOnDays: number;
    readonly struggledInARow: number;
    readonly struggledOnDays?: number;
    /** Number of the sessions that count for a step up in which the help was reported. */
    readonly helpTold?: number;
    /** Refusals and stops in upset since the step was set: evidence of their own kind. */
    readonly refused?: number;
    /** Counts of a rule that looks at the last few sessions. */
    readonly last?: {
      readonly sessions: number;
      readonly reached: number;
      readonly struggled: number;
      readonly onDays: number;
      /** Mean share of the target, 0 to 1; left out where the rule does not ask for it. */
      readonly meanSuccess?: number;
    };
  };
  /** Earlier tries at the step that the move leads to; left out where nobody looked, see `remember`. */
  readonly tries?: readonly Try[] | undefined;
  readonly whatWouldChange: WhatWouldChange;
}

/** An earlier stay at a step that was stepped up to. */
export interface Try {
  /** The day on which the step was set. */
  readonly from: CalendarDay;
  /** Counted sessions at it, and how many of them reached the target. */
  readonly sessions: number;
  readonly reached: number;
  /** True where a step down ended it. */
  readonly endedDown: boolean;
}
