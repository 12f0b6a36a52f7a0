import { tieSizes, varianceOfS, type Point } from './theilSen';

export interface RankCorrelation {
  /** Concordant less discordant pairs. */
  readonly s: number;
  /** Tau-b; null where all x or all y are equal. */
  readonly tau: number | null;
  /** Two-sided: how often an order by chance alone goes as far from 0. */
  readonly p: number;
  /** How p was found: counted out, or by the normal distribution with a correction for continuity. */
  readonly by: 'count' | 'normal';
}

/** Limit up to which all orders are enumerated where both x and y have ties. */
const MOST_ENUMERATED = 8;
/** Beyond so many the counts lose nothing by the normal distribution. */
const MOST_COUNTED = 60;

/**
 * Kendall's tau-b with its two-sided p. Where one of the two has no ties, p is counted out exactly, from the number of orders of the other's values by their
 * inversions; where both have, all orders are gone through up to eight points, and more go by the normal distribution.
 * Sources: Kendall 1938, 1945 (tau-b); inversions of a multiset: MacMahon 1913 (from memory).
 */
export function kendall(points: readonly Point[]): RankCorrelation {
  const s = scoreOf(points);
  const n = points.length;
  const [tx, ty] = [tieSizes(points.map(({ x }) => x)), tieSizes(points.map(({ y }) => y))];
  const pairs = (size: number) => (size * (size - 1)) / 2;
  const untied = (sizes: readonly number[]) => pairs(n) - sizes.reduce((sum, size) => sum + pairs(size), 0);
  const whole = Math.sqrt(untied(tx) * untied(ty));
  const tau = whole > 0 ? s / whole : null;
  if (tau === null) return { s, tau, p: 1, by: 'count' };
  if (n <= MOST_COUNTED && (tx.length === 0 || ty.length === 0)) return { s, tau, p: countedP(s, n, tx.length ? tx : ty), by: 'count' };
  if (n <= MOST_ENUMERATED) return { s, tau, p: enumeratedP(points, s), by: 'count' };
  return { s, tau, p: normalP(s, varianceOfS(points)), by: 'normal' };
}

function scoreOf(points: readonly Point[]): number {
  let s = 0;
  points.forEach((one, index) => {
    for (const other of points.slice(index + 1)) s += Math.sign(other.x - one.x) * Math.sign(other.y - one.y);
  });
  return s;
}

/**
 * Orders of n values of which some are equal, by their inversions: the product of 1 + q + … + q^(k−1) for k to n, divided by the same for each group of equal
 * ones. Kept as shares, so that no number grows large.
 */
function countedP(s: number, n: number, ties: readonly number[]): number {
  let shares = [1];
  // Groups come in one after the other; a value set among those before it makes as many inversions as it passes.
  let placed = 0;
  for (const size of [...ties, ...Array.from({ length: n - ties.reduce((sum, tie) => sum + tie, 0) }, () => 1)]) {
    shares = product(shares, gaussian(placed, size));
    placed += size;
  }
  const most = shares.length - 1;
  let p = 0;
  shares.forEach((share, inversions) => {
    if (Math.abs(most - 2 * inversions) >= Math.abs(s)) p += share;
  });
  return Math.min(1, p);
}

/** How many ways to set `size` equal values among `placed` others make how many inversions, as shares of all of them. */
function gaussian(placed: number, size: number): number[] {
  // Built by rows of the triangle: a group whose first value passes none, or whose every value passes one more.
  let row: number[][] = Array.from({ length: placed + 1 }, () => [1]);
  for (let each = 1; each <= size; each += 1) {
    const next: number[][] = [[1]];
    for (let others = 1; others <= placed; others += 1) next.push(sumOf(next[others - 1]!, shifted(row[others]!, others)));
    row = next;
  }
  const counts = row[placed]!;
  const all = counts.reduce((sum, count) => sum + count, 0);
  return counts.map((count) => count / all);
}

const shifted = (counts: readonly number[], by: number) => [...Array.from({ length: by }, () => 0), ...counts];
const sumOf = (one: readonly number[], other: readonly number[]) =>
  Array.from({ length: Math.max(one.length, other.length) }, (_, at) => (one[at] ?? 0) + (other[at] ?? 0));

function product(one: readonly number[], other: readonly number[]): number[] {
  const result = Array.from({ length: one.length + other.length - 1 }, () => 0);
  one.forEach((a, i) => other.forEach((b, j) => (result[i + j]! += a * b)));
  return result;
}

function enumeratedP(points: readonly Point[], s: number): number {
  const xs = points.map(({ x }) => x);
  let all = 0;
  let asFar = 0;
  const go = (chosen: readonly number[], left: readonly number[]) => {
    if (left.length === 0) {
      all += 1;
      if (Math.abs(scoreOf(chosen.map((y, index) => ({ x: xs[index]!, y })))) >= Math.abs(s)) asFar += 1;
      return;
    }
    left.forEach((y, index) => go([...chosen, y], [...left.slice(0, index), ...left.slice(index + 1)]));
  };
  go(
    [],
    points.map(({ y }) => y),
  );
  return asFar / all;
}

function normalP(s: number, variance: number): number {
  if (s === 0 || variance <= 0) return 1;
  return Math.min(1, erfc((Math.abs(s) - 1) / Math.sqrt(2 * variance)));
}

/** Complementary error function, to 1.2e-7 (Numerical Recipes, §6.2, from memory). */
function erfc(x: number): number {
  const t = 1 / (1 + 0.5 * Math.abs(x));
  const series = [
    0.17087277, -0.82215223, 1.48851587, -1.13520398, 0.27886807, -0.18628806, 0.09678418, 0.37409196, 1.00002368, -1.26551223,
  ];
  const value = t * Math.exp(-x * x + series.reduce((sum, each) => sum * t + each, 0));
  return x >= 0 ? value : 2 - value;
}
