export interface Nonoverlap {
  /** Share of all pairs in which the later one is better; ties count half. */
  readonly nap: number;
  readonly better: number;
  readonly worse: number;
  readonly tied: number;
}

/** Nonoverlap of all pairs between two phases, more being better. Null where a phase is empty. Source: Parker & Vannest 2009. */
export function nonoverlapOfAllPairs(before: readonly number[], after: readonly number[]): Nonoverlap | null {
  if (before.length === 0 || after.length === 0) return null;
  let [better, worse, tied] = [0, 0, 0];
  for (const one of before) {
    for (const other of after) {
      if (other > one) better += 1;
      else if (other < one) worse += 1;
      else tied += 1;
    }
  }
  return { nap: (better + tied / 2) / (before.length * after.length), better, worse, tied };
}
