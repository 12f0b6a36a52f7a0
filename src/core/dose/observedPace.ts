import { requireAbove, requireAtLeast } from '../whole';

/** The task's own figure counts as much as this many sessions. */
const PRIOR_SESSIONS = 3;

/**
 * Seconds for one repetition, moved from the task's own figure to the child's observed pace: the mean of the logarithms,
 * with the task's figure worth three sessions. Our own definition.
 * @param priorSeconds finite, above 0
 * @param sessions minutes of work and repetitions done; sessions with nothing of one say nothing and are left out
 * @throws RangeError for a prior that is not above 0, and for minutes or repetitions that are below 0 or not finite.
 * @example observedPace(10, [{ minutes: 4, repetitions: 12 }]) // 10^(3/4) · 20^(1/4) = 11.892
 */
export function observedPace(
  priorSeconds: number,
  sessions: readonly { readonly minutes: number; readonly repetitions: number }[],
): number {
  requireAbove('priorSeconds', priorSeconds, 0);
  for (const { minutes, repetitions } of sessions) {
    requireAtLeast('minutes', minutes, 0);
    requireAtLeast('repetitions', repetitions, 0);
  }
  const logs = sessions
    .filter(({ minutes, repetitions }) => minutes > 0 && repetitions > 0)
    .map(({ minutes, repetitions }) => Math.log((minutes * 60) / repetitions));
  const sum = logs.reduce((total, each) => total + each, PRIOR_SESSIONS * Math.log(priorSeconds));
  return Math.exp(sum / (PRIOR_SESSIONS + logs.length));
}
