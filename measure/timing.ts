/** The middle one of the measured values. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** The value that so much of the measured ones do not exceed. @param share 0 to 1 */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!;
}

/** Milliseconds of a job, so many times, after a few that warm it up. */
export async function timesOf(runs: number, job: () => Promise<unknown> | unknown): Promise<number[]> {
  const times: number[] = [];
  for (let run = -5; run < runs; run += 1) {
    const start = performance.now();
    await job();
    if (run >= 0) times.push(performance.now() - start);
  }
  return times;
}

export async function medianMilliseconds(runs: number, job: () => Promise<unknown> | unknown): Promise<number> {
  return median(await timesOf(runs, job));
}
