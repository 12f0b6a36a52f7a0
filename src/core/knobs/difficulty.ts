import { requireAbove, requireAtLeast } from '../whole';

/**
 * Index of difficulty of reaching for a target, in bits: log2(D/W + 1), the Shannon form of Fitts's law (MacKenzie 1992;
 * ISO/TS 9241-411). For an item that goes into an opening, W is opening − item.
 * @param distanceMm finite, 0 or more
 * @param widthMm above 0
 * @throws RangeError outside of these.
 * @example fittsBits(31, 1) // 5
 */
export function fittsBits(distanceMm: number, widthMm: number): number {
  requireAtLeast('distanceMm', distanceMm, 0);
  requireAbove('widthMm', widthMm, 0);
  return Math.log2(distanceMm / widthMm + 1);
}

/**
 * Index of difficulty of keeping within a straight path that may narrow: ∫ ds / W(s), the steering law (Accot & Zhai
 * 1997). For one width A/W; for a narrowing one A/(W2 − W1) · ln(W2/W1).
 * @param lengthMm finite, 0 or more
 * @param widthMm, endWidthMm above 0
 * @throws RangeError outside of these.
 * @example steeringIndex(250, 50, 8) // 10.908
 */
export function steeringIndex(lengthMm: number, widthMm: number, endWidthMm = widthMm): number {
  requireAtLeast('lengthMm', lengthMm, 0);
  requireAbove('widthMm', widthMm, 0);
  requireAbove('endWidthMm', endWidthMm, 0);
  const change = endWidthMm - widthMm;
  // Near one width the closed form divides 0 by 0; its limit is A/W.
  if (Math.abs(change) < 1e-9 * widthMm) return lengthMm / widthMm;
  return (lengthMm / change) * Math.log(endWidthMm / widthMm);
}
