import type { DatedSession, Outcome, OutcomeSettings } from '../reports';
import type { BandSettings, MOfNSettings, StreakSettings } from './rules';
import type { Suggestion, WhatWouldChange } from './suggestion';

/** A session with what it shows. */
export type Judged = DatedSession & { readonly outcome: Outcome };

/** A rule's verdict on a run of sessions, whatever lies above or below it on the ladder. */
export interface Verdict {
  readonly wants: 'up' | 'down' | 'stay';
  /** The sessions that it rests on. */
  readonly because: readonly Judged[];
  readonly change: WhatWouldChange;
  readonly last?: NonNullable<Suggestion['evidence']['last']>;
}

const daysOf = (sessions: readonly DatedSession[]) => new Set(sessions.map(({ doneOn }) => doneOn)).size;
const withoutRefusals = (run: readonly Judged[]) => run.filter(({ outcome }) => outcome !== 'refused');

/** The last ones of a kind, with no other between. */
export function trailing(run: readonly Judged[], outcome: Outcome): Judged[] {
  const afterLastOther = run.reduce((start, session, index) => (session.outcome === outcome ? start : index + 1), 0);
  return run.slice(afterLastOther);
}

/** Up after so many reached in a row on at least two days, down after so many struggled. A refusal breaks a row of reached ones, and is no struggle; what was done and not counted is passed over. */
export function inARow(run: readonly Judged[], settings: StreakSettings): Verdict {
  const told = run.filter(({ outcome }) => outcome !== 'uncounted');
  const reached = trailing(told, 'reached');
  const struggled = trailing(withoutRefusals(told), 'struggled');
  if (struggled.length >= settings.struggledInARow && daysOf(struggled) >= settings.onDays)
    return { wants: 'down', because: struggled, change: { code: 'oneNotStruggled' } };
  if (reached.length >= settings.reachedInARow && daysOf(reached) >= settings.onDays)
    return { wants: 'up', because: reached, change: { code: 'oneNotReached' } };
  return {
    wants: 'stay',
    because: run,
    change: {
      code: 'moreNeeded',
      reached: Math.max(0, settings.reachedInARow - reached.length),
      days: Math.max(0, settings.onDays - daysOf(reached)),
    },
  };
}

/** Up where so many of the last few were reached, down where so many were struggled. A refusal takes a place among the last few for a step up, and none for a step down. */
export function mOfN(run: readonly Judged[], settings: MOfNSettings): Verdict {
  const told = run.filter(({ outcome }) => outcome !== 'uncounted');
  const last = told.slice(-settings.lastSessions);
  const lastDone = withoutRefusals(told).slice(-settings.lastSessions);
  const reached = last.filter(({ outcome }) => outcome === 'reached');
  const struggled = lastDone.filter(({ outcome }) => outcome === 'struggled');
  const seen = { sessions: last.length, reached: reached.length, struggled: struggled.length, onDays: daysOf(last) };
  if (struggled.length >= settings.struggled && daysOf(struggled) >= settings.onDays)
    return { wants: 'down', because: struggled, change: { code: 'fewerStruggled' }, last: seen };
  if (last.length >= settings.lastSessions && reached.length >= settings.reached && daysOf(reached) >= settings.onDays)
    return { wants: 'up', because: reached, change: { code: 'fewerReached' }, last: seen };
  return { wants: 'stay', because: last, change: sessionsNeeded(settings, last), last: seen };
}

/** Up where the mean success of the last few is above the band, down where it is below. A refusal has no success to count; the latest word being one, nothing goes up. */
export function withinBand(run: readonly Judged[], settings: BandSettings, outcomes: OutcomeSettings): Verdict {
  const told = run.filter(({ outcome }) => outcome !== 'uncounted');
  const last = withoutRefusals(told).slice(-settings.lastSessions);
  const mean = last.length === 0 ? 0 : last.reduce((sum, session) => sum + successOf(session, outcomes), 0) / last.length;
  const count = (wanted: Outcome) => last.filter(({ outcome }) => outcome === wanted).length;
  const seen = { sessions: last.length, reached: count('reached'), struggled: count('struggled'), onDays: daysOf(last), meanSuccess: mean };
  const isEnough = last.length >= settings.lastSessions && daysOf(last) >= settings.onDays;
  const change = isEnough ? ({ code: 'withinBand' } as const) : sessionsNeeded(settings, last);
  if (isEnough && mean < settings.below) return { wants: 'down', because: last, change, last: seen };
  if (isEnough && mean > settings.above && told.at(-1)!.outcome !== 'refused') return { wants: 'up', because: last, change, last: seen };
  return { wants: 'stay', because: last, change, last: seen };
}

const sessionsNeeded = ({ lastSessions }: { readonly lastSessions: number }, last: readonly Judged[]) =>
  ({ code: 'sessionsNeeded', sessions: Math.max(0, lastSessions - last.length) }) as const;

/**
 * Share of the target, 0 to 1, as far as the session's outcome allows: what was a struggle in spite of its count is at most the
 * limit of one, and what took more help than may count as reached at most the share from which on it would be.
 */
export function successOf({ amount, target, outcome }: Judged, { reachedShare, struggledShare }: OutcomeSettings): number {
  const share = Math.min(1, (amount ?? 0) / (target ?? 1));
  if (outcome === 'struggled') return Math.min(share, struggledShare);
  return outcome === 'reached' ? share : Math.min(share, reachedShare);
}
