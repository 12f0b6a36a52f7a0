import { requireWhole } from '../whole';

/** Planned sessions and what is known of them. */
export interface AdherenceCounts {
  readonly planned: number;
  readonly knownDone: number;
  readonly saidNotDone: number;
}

export interface AdherenceRange extends AdherenceCounts {
  /** Planned sessions of which nobody said anything: neither done nor not done. */
  readonly noWord: number;
  /** Shares from 0 to 1, or null where nothing was planned. */
  readonly low: number | null;
  readonly high: number | null;
}

/**
 * Adherence as a range, since no word is not the same as not done:
 * from known done ÷ planned up to (known done + no word) ÷ planned. Our own definition.
 * @param counts whole, 0 and over
 * @throws RangeError for counts that are no counts, or where more is known than was planned.
 * @example adherenceRange({ planned: 10, knownDone: 6, saidNotDone: 1 }) // low 0.6, high 0.9, noWord 3
 */
export function adherenceRange(counts: AdherenceCounts): AdherenceRange {
  const { planned, knownDone, saidNotDone } = counts;
  requireWhole('planned', planned, 0);
  requireWhole('knownDone', knownDone, 0, planned);
  requireWhole('saidNotDone', saidNotDone, 0, planned - knownDone);
  const noWord = planned - knownDone - saidNotDone;
  if (planned === 0) return { ...counts, noWord, low: null, high: null };
  return { ...counts, noWord, low: knownDone / planned, high: (knownDone + noWord) / planned };
}
