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
 * @throws RangeError for counts that are no counts.
 * @example wilsonInterval(81, 263) // { low: 0.2553, high: 0.3662 }
 */
export function wilsonInterval(successes: number, trials: number, z = Z_95): Interval {
  if (!Number.isInteger(trials) || trials < 1) throw new RangeError(`trials is ${trials}; it must be a whole number from 1`);
  if (!Number.isInteger(successes) || successes < 0 || successes > trials) {
    throw new RangeError(`successes is ${successes}; it must be a whole number from 0 to ${trials}`);
  }
  const share = successes / trials;
  const zz = z * z;
  const centre = share + zz / (2 * trials);
  const spread = z * Math.sqrt((share * (1 - share)) / trials + zz / (4 * trials * trials));
  const scale = 1 + zz / trials;
  return { low: Math.max(0, (centre - spread) / scale), high: Math.min(1, (centre + spread) / scale) };
}
