import { daysBetween, type CalendarDay } from '../calendar';
import type { Try } from './remember';
import { isRefusal, outcomeOf, type DatedSession, type Outcome, type OutcomeSettings } from '../sessions';

export interface StreakSettings {
  /** Reached sessions in a row before a step up. */
  readonly reachedInARow: number;
  /** On at least so many different days. */
  readonly onDays: number;
  /** Struggled sessions in a row before a step down, on as many days as a step up needs. */
  readonly struggledInARow: number;
  /** A pause of more days than this restarts the count. */
  readonly gapDays: number;
}

/** Common practice, no source. */
export const DEFAULT_STREAK: StreakSettings = { reachedInARow: 3, onDays: 2, struggledInARow: 2, gapDays: 14 };

/**
 * Older sessions can't change the answer of the default rule: three in a row, each at most 14 days after the one before and
 * the last at most 14 days ago, lie within six weeks.
 */
export const EVIDENCE_DAYS = DEFAULT_STREAK.gapDays * DEFAULT_STREAK.reachedInARow;

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

export interface Suggestion {
  readonly move: Move;
  /** The step that the move leads to; the present one for all that hold. */
  readonly toStep: number;
  readonly rule: { readonly name: 'streak'; readonly settings: StreakSettings };
  readonly evidence: {
    /** The reports that the move rests on, oldest first. */
    readonly reportIds: readonly number[];
    readonly sessionsAtStep: number;
    readonly reachedInARow: number;
    readonly reachedOnDays: number;
    readonly struggledInARow: number;
    readonly struggledOnDays?: number;
    /** Of the reached ones in a row, how many tell which help was given. */
    readonly helpTold?: number;
    /** Refusals and stops in upset since the step was set: evidence of their own kind. */
    readonly refused?: number;
  };
  /** Earlier tries at the step that the move leads to; left out where nobody looked, see `remember`. */
  readonly tries?: readonly Try[] | undefined;
  /** What would have changed the answer. */
  readonly whatWouldChange:
    | { readonly code: 'oneNotReached' | 'oneNotStruggled' | 'personReads' | 'anotherWay' | 'helpTold' | 'older' }
    | { readonly code: 'moreNeeded'; readonly reached: number; readonly days: number };
}

/**
 * The streak rule: up after three reached sessions in a row on at least two days, of which one at least tells the help that
 * was given; down after two struggled in a row on two days; never more than one step. A refusal breaks a row of reached ones,
 * and is no struggle. A session at another step counts for that step only; a pause of more than 14 days restarts the
 * count; a closed task holds for a person; at the top of the ladder it says so; at its foot a struggle holds.
 * Source: common practice, no published source.
 */
export function streakRule(standing: TaskStanding, outcomeSettings?: OutcomeSettings, settings = DEFAULT_STREAK): Suggestion {
  const rule = { name: 'streak', settings } as const;
  const { currentStep, stepCount } = standing;
  const run = latestRun(standing, settings.gapDays).map((session) => ({
    ...session,
    outcome: outcomeOf(session, session.target, outcomeSettings),
  }));
  const reached = trailing(run, 'reached');
  const struggled = trailing(
    run.filter(({ outcome }) => outcome !== 'refused'),
    'struggled',
  );
  const reachedOnDays = new Set(reached.map((session) => session.doneOn)).size;
  const struggledOnDays = new Set(struggled.map((session) => session.doneOn)).size;
  const helpTold = reached.filter(({ help }) => help !== null).length;
  const counts = {
    sessionsAtStep: run.filter(({ outcome }) => outcome !== 'refused').length,
    reachedInARow: reached.length,
    reachedOnDays,
    struggledInARow: struggled.length,
    struggledOnDays,
    helpTold,
    refused: run.filter(({ outcome, stopReason }) => outcome === 'refused' || stopReason === 'upset').length,
  };
  const ids = (sessions: readonly DatedSession[]) => sessions.map((session) => session.reportId);
  const stay = (move: Move, reportIds: readonly number[], whatWouldChange: Suggestion['whatWouldChange']): Suggestion => ({
    move,
    toStep: currentStep,
    rule,
    evidence: { reportIds, ...counts },
    whatWouldChange,
  });

  if (standing.stopReportIds.length > 0) {
    return stay('holdForPerson', standing.stopReportIds, { code: 'personReads' });
  }
  if (struggled.length >= settings.struggledInARow && struggledOnDays >= settings.onDays && currentStep > 1) {
    return { ...stay('down', ids(struggled), { code: 'oneNotStruggled' }), toStep: currentStep - 1 };
  }
  if (reached.length >= settings.reachedInARow && reachedOnDays >= settings.onDays) {
    if (currentStep >= stepCount) return stay('ladderEnd', ids(reached), { code: 'oneNotReached' });
    if (helpTold === 0) return stay('hold', ids(reached), { code: 'helpTold' });
    return { ...stay('up', ids(reached), { code: 'oneNotReached' }), toStep: currentStep + 1 };
  }
  return stay('hold', ids(run), {
    code: 'moreNeeded',
    reached: Math.max(0, settings.reachedInARow - reached.length),
    days: Math.max(0, settings.onDays - reachedOnDays),
  });
}

/** Done and refused sessions at the present step since it was set, oldest first, from the last long pause on. */
function latestRun({ sessions, currentStep, stepSinceVersion, today }: TaskStanding, gapDays: number): DatedSession[] {
  const own = sessions
    .filter(
      (session) =>
        (session.done || isRefusal(session)) &&
        !session.safetyWord &&
        session.step === currentStep &&
        session.versionNumber >= stepSinceVersion,
    )
    .sort((a, b) => (a.doneOn === b.doneOn ? a.reportId - b.reportId : a.doneOn < b.doneOn ? -1 : 1));
  const last = own.at(-1);
  if (!last || daysBetween(last.doneOn, today) > gapDays) return [];
  const start = own.reduce((latest, session, index) => {
    const before = own[index - 1];
    return before && daysBetween(before.doneOn, session.doneOn) > gapDays ? index : latest;
  }, 0);
  return own.slice(start);
}

function trailing<Item extends { readonly outcome: Outcome }>(items: readonly Item[], outcome: Outcome): Item[] {
  const afterLastOther = items.reduce((start, item, index) => (item.outcome === outcome ? start : index + 1), 0);
  return items.slice(afterLastOther);
}
