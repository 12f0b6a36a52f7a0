/** The task's own figure counts as much as this many sessions. */
const PRIOR_SESSIONS = 3;

/**
 * Seconds for one repetition, moved from the task's own figure to the child's observed pace: the mean of the logarithms,
 * with the task's figure worth three sessions. Our own definition.
 * @param priorSeconds above 0
 * @param sessions minutes of work and repetitions done; sessions with neither say nothing and are left out
 * @throws RangeError for a prior that is not above 0.
 * @example observedPace(10, [{ minutes: 4, repetitions: 12 }]) // 10^(3/4) · 20^(1/4) = 11.892
 */
export function observedPace(
  priorSeconds: number,
  sessions: readonly { readonly minutes: number; readonly repetitions: number }[],
): number {
  if (!(priorSeconds > 0)) throw new RangeError(`priorSeconds is ${priorSeconds}; it must be above 0`);
  const logs = sessions
    .filter(({ minutes, repetitions }) => minutes > 0 && repetitions > 0)
    .map(({ minutes, repetitions }) => Math.log((minutes * 60) / repetitions));
  const sum = logs.reduce((total, each) => total + each, PRIOR_SESSIONS * Math.log(priorSeconds));
  return Math.exp(sum / (PRIOR_SESSIONS + logs.length));
}
