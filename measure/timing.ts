/** The middle one of the measured values. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** Median milliseconds of a job over so many runs, after a few that warm it up. */
export async function medianMilliseconds(runs: number, job: () => Promise<unknown> | unknown): Promise<number> {
  const times: number[] = [];
  for (let run = -5; run < runs; run += 1) {
    const start = performance.now();
    await job();
    if (run >= 0) times.push(performance.now() - start);
  }
  return median(times);
}
