import { requireAtLeast, requireWhole } from '../whole';

export interface Interval {
  readonly low: number;
  readonly high: number;
}

/** Two-sided 95 %. */
const Z_95 = 1.959963984540054;

/**
 * Wilson's score interval of a proportion, without continuity correction, held within 0 and 1.
 * Source: E. B. Wilson (1927), J Am Stat Assoc 22:209–212; worked examples in R. G. Newcombe (1998), Stat Med 17:857–872.
 * @param successes 0 to `trials`
 * @param trials 1 and over
 * @param z finite, 0 and over; two-sided 95 % where nothing is said
 * @throws RangeError for counts that are no counts, or a z that is none.
 * @example wilsonInterval(81, 263) // { low: 0.2553, high: 0.3662 }
 */
export function wilsonInterval(successes: number, trials: number, z = Z_95): Interval {
  requireWhole('trials', trials, 1);
  requireWhole('successes', successes, 0, trials);
  requireAtLeast('z', z, 0);
  const share = successes / trials;
  const zz = z * z;
  const centre = share + zz / (2 * trials);
  const spread = z * Math.sqrt((share * (1 - share)) / trials + zz / (4 * trials * trials));
  const scale = 1 + zz / trials;
  return { low: Math.max(0, (centre - spread) / scale), high: Math.min(1, (centre + spread) / scale) };
}
