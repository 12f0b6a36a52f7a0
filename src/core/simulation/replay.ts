import { suggestStep, type Rule } from '../stepRules';
import { daysBetween, type CalendarDay } from '../calendar';
import { outcomeOf, type DatedSession, type OutcomeSettings } from '../reports';

/** A stay at one step of a task, as it really was: from the change that led there to the one that ended it. */
export interface Stay {
  readonly step: number;
  readonly stepCount: number;
  readonly sinceVersion: number;
  /** Sessions of the stay, in any order. */
  readonly sessions: readonly DatedSession[];
  /** How it ended; null where it goes on. */
  readonly ended: { readonly move: 'up' | 'down'; readonly on: CalendarDay } | null;
  readonly outcomes: OutcomeSettings;
}

export interface ReplayedStay {
  /** The first move that the rule would have suggested within the stay; null where it would have suggested none. */
  readonly would: { readonly move: 'up' | 'down'; readonly on: CalendarDay } | null;
  /**
   * How it compares to what happened; `waits` where still at the step and the rule would have moved by now, `open` where
   * it holds, too.
   */
  readonly compared: 'same' | 'sooner' | 'later' | 'other' | 'waits' | 'open';
  /** Difference in days; 0 where days do not apply. */
  readonly days: number;
  /** Struggled sessions after the move that the rule would have suggested: those would have been at another step. */
  readonly strugglesAfter: number;
}

/**
 * Replays a stay under another rule, asked after each day with a session, as by a therapist who looks every evening. Only the first
 * move is returned: what would have followed at another step is unknown. A move that the rule has not suggested by the end of a
 * stay that really ended is `later`, with 0 for the unknown days.
 */
export function replayStay(stay: Stay, rule: Rule): ReplayedStay {
  const days = [...new Set(stay.sessions.map(({ doneOn }) => doneOn))].sort();
  const until = stay.ended?.on ?? null;
  let would: ReplayedStay['would'] = null;
  for (const today of days) {
    if (until !== null && today > until) break;
    const standing = {
      sessions: stay.sessions.filter(({ doneOn }) => doneOn <= today),
      currentStep: stay.step,
      stepSinceVersion: stay.sinceVersion,
      stepCount: stay.stepCount,
      today,
      stopReportIds: [],
    };
    const { move } = suggestStep(standing, rule, stay.outcomes);
    if (move === 'up' || move === 'down') {
      would = { move, on: today };
      break;
    }
  }
  const strugglesAfter = would
    ? stay.sessions.filter(
        (session) => session.doneOn > would.on && session.done && outcomeOf(session, session.target, stay.outcomes) === 'struggled',
      ).length
    : 0;
  return { would, strugglesAfter, ...comparedWith(stay.ended, would) };
}

function comparedWith(ended: Stay['ended'], would: ReplayedStay['would']): Pick<ReplayedStay, 'compared' | 'days'> {
  if (!ended) return { compared: would ? 'waits' : 'open', days: 0 };
  if (!would) return { compared: 'later', days: 0 };
  if (would.move !== ended.move) return { compared: 'other', days: 0 };
  const days = daysBetween(would.on, ended.on);
  return days === 0 ? { compared: 'same', days: 0 } : { compared: 'sooner', days };
}

export interface ReplayFigures {
  readonly stays: number;
  readonly up: number;
  readonly down: number;
  readonly same: number;
  readonly sooner: number;
  readonly later: number;
  readonly other: number;
  /** Stays that go on, though the rule would have moved. */
  readonly waits: number;
  /** The middle of the days by which it would have been sooner, over stays that ended; null where there is none. */
  readonly medianDaysSooner: number | null;
  /** Struggled sessions that came after a step down would have been suggested. */
  readonly strugglesAfterDown: number;
}

/** Summarizes a rule's moves over many stays. */
export function replayFigures(stays: readonly Stay[], rule: Rule): ReplayFigures {
  const all = stays.map((stay) => replayStay(stay, rule));
  const count = (is: (each: ReplayedStay) => boolean) => all.filter(is).length;
  const sooner = all.filter(({ compared }) => compared === 'sooner').map(({ days }) => days);
  return {
    stays: all.length,
    up: count(({ would }) => would?.move === 'up'),
    down: count(({ would }) => would?.move === 'down'),
    same: count(({ compared }) => compared === 'same'),
    sooner: count(({ compared }) => compared === 'sooner'),
    later: count(({ compared }) => compared === 'later'),
    other: count(({ compared }) => compared === 'other'),
    waits: count(({ compared }) => compared === 'waits'),
    medianDaysSooner: quantile(sooner, 0.5),
    strugglesAfterDown: all.reduce((sum, { would, strugglesAfter }) => sum + (would?.move === 'down' ? strugglesAfter : 0), 0),
  };
}

/**
 * The value below which a share of the others lies, between two where it falls between them; null of none.
 * Source: Hyndman & Fan 1996, type 7 (from memory), as R and NumPy take it where nothing is said.
 */
export function quantile(values: readonly number[], share: number): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((one, other) => one - other);
  const at = (sorted.length - 1) * share;
  const low = sorted[Math.floor(at)]!;
  return low + (sorted[Math.ceil(at)]! - low) * (at % 1);
}
