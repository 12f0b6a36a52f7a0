import { requireFinite } from '../whole';

export interface Point {
  /** On any scale that counts days. */
  readonly x: number;
  readonly y: number;
}

export interface Trend {
  /** Median of the slopes of all pairs, in units of y for one of x. */
  readonly slope: number;
  /** Rank-based interval of the slope. */
  readonly low: number;
  readonly high: number;
  /** Median of y less slope × median of x. */
  readonly intercept: number;
  readonly medianX: number;
  readonly medianY: number;
  /** How many pairs have a slope, and which of them, 1-based in the order of size, the interval's ends are. */
  readonly pairs: number;
  readonly ranks: readonly [low: number, high: number];
}

/** Below so many points no line is drawn: two pairs hardly make a middle. Common practice, no source. */
export const FEWEST_POINTS = 5;
/** 97.5 % of the normal distribution. */
const Z_95 = 1.959963984540054;

/**
 * The trend of a series by Theil and Sen: robust against single days that went badly. Null for fewer than five points, or where all lie on one day.
 * Sources: Theil 1950; Sen 1968 (interval by the variance of Kendall's S, ties in it). Ranks are rounded as SciPy's `theilslopes` does; the intercept goes
 * through the medians, which is one of several definitions.
 * @throws RangeError for a coordinate that is not finite
 */
export function theilSen(points: readonly Point[]): Trend | null {
  for (const { x, y } of points) {
    requireFinite('x', x);
    requireFinite('y', y);
  }
  if (points.length < FEWEST_POINTS) return null;
  const slopes: number[] = [];
  points.forEach((one, index) => {
    for (const other of points.slice(index + 1)) if (other.x !== one.x) slopes.push((other.y - one.y) / (other.x - one.x));
  });
  if (slopes.length === 0) return null;
  slopes.sort((a, b) => a - b);
  const slope = medianOfSorted(slopes);
  const half = Z_95 * Math.sqrt(varianceOfS(points));
  const last = slopes.length - 1;
  const lowAt = Math.max(0, roundHalfEven((slopes.length - half) / 2) - 1);
  const highAt = Math.min(last, roundHalfEven((slopes.length + half) / 2));
  const medianX = median(points.map(({ x }) => x));
  const medianY = median(points.map(({ y }) => y));
  return {
    slope,
    low: slopes[lowAt]!,
    high: slopes[highAt]!,
    intercept: medianY - slope * medianX,
    medianX,
    medianY,
    pairs: slopes.length,
    ranks: [lowAt + 1, highAt + 1],
  };
}

/** Variance of Kendall's S where nothing is related, with what ties take away. */
export function varianceOfS(points: readonly Point[]): number {
  const n = points.length;
  const [tx, ty] = [tieSizes(points.map(({ x }) => x)), tieSizes(points.map(({ y }) => y))];
  const sum = (sizes: readonly number[], of: (size: number) => number) => sizes.reduce((total, size) => total + of(size), 0);
  const five = (size: number) => size * (size - 1) * (2 * size + 5);
  const pairs = (size: number) => size * (size - 1);
  const triples = (size: number) => size * (size - 1) * (size - 2);
  return (
    (five(n) - sum(tx, five) - sum(ty, five)) / 18 +
    (n > 2 ? (sum(tx, triples) * sum(ty, triples)) / (9 * triples(n)) : 0) +
    (n > 1 ? (sum(tx, pairs) * sum(ty, pairs)) / (2 * pairs(n)) : 0)
  );
}

/** How many are equal, for each value that stands there more than once. */
export function tieSizes(values: readonly number[]): number[] {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts.values()].filter((count) => count > 1);
}

export function median(values: readonly number[]): number {
  return medianOfSorted([...values].sort((a, b) => a - b));
}

function medianOfSorted(sorted: readonly number[]): number {
  const middle = sorted.length / 2;
  return Number.isInteger(middle) ? (sorted[middle - 1]! + sorted[middle]!) / 2 : sorted[Math.floor(middle)]!;
}

function roundHalfEven(value: number): number {
  const down = Math.floor(value);
  if (value - down !== 0.5) return Math.round(value);
  return down % 2 === 0 ? down : down + 1;
}
