import simplify from 'simplify-js';
import { boxAround, distanceFrom, type Point } from './curve';
import { svgPath } from './svgPath';
import { throughCorners } from './curve';

export type OutlineFinding =
  /** No sheet: scissors would cut the piece in two. */
  | { readonly code: 'crossesItself'; readonly at: Point }
  /** A corner sharper than a child's scissors turn out of. */
  | { readonly code: 'tooSharp'; readonly at: Point; readonly degrees: number }
  /** Two parts of the way so near that the paper between them tears. */
  | { readonly code: 'tooNear'; readonly at: Point; readonly mm: number };

export type OutlineIssue = { readonly code: 'tooFewPlaces' | 'tooManyPlaces' };

export interface Outline {
  /** Absolute, in mm, from 0: what a road's own path takes. */
  readonly d: string;
  readonly isClosed: boolean;
  readonly findings: readonly OutlineFinding[];
}

/** Less than a pencil line's width is a tremble of the hand. */
const TREMBLE_MM = 0.4;
const MOST_PLACES = 20_000;
/** After the trembles are taken out; more is no outline for scissors. */
const MOST_CORNERS = 400;
/** Limits of a child's scissors: the sharpest turn, and the strip that holds between two cuts. Common practice, no source. */
const SHARP_DEGREES = 40;
const NEAR_MM = 6;
/** An end so near the beginning was meant to meet it. */
const CLOSING_MM = 4;

/**
 * An outline of one's own, drawn or read, made ready for a sheet: without its trembles, as large as it is wished, and checked for what can be cut. Crossings, sharp
 * corners and narrow places are findings, by their places; what is no outline is refused.
 * @param places in any unit · @param sizeMm the longer side that it is to have, above 0; as large as it comes where it is left out
 */
export function outlineOf(
  places: readonly Point[],
  sizeMm?: number,
): { readonly ok: true; readonly value: Outline } | { readonly ok: false; readonly issues: readonly OutlineIssue[] } {
  if (places.length > MOST_PLACES) return { ok: false, issues: [{ code: 'tooManyPlaces' }] };
  const usable = places.filter(
    ([x, y], index) =>
      Number.isFinite(x) && Number.isFinite(y) && (index === 0 || x !== places[index - 1]![0] || y !== places[index - 1]![1]),
  );
  if (usable.length < 2) return { ok: false, issues: [{ code: 'tooFewPlaces' }] };
  const around = boxAround(usable);
  const longer = Math.max(around.right - around.left, around.bottom - around.top);
  if (!(longer > 0)) return { ok: false, issues: [{ code: 'tooFewPlaces' }] };
  const scale = sizeMm === undefined ? 1 : sizeMm / longer;
  const scaled = usable.map(([x, y]) => ({ x: (x - around.left) * scale, y: (y - around.top) * scale }));
  const plain = simplify(scaled, TREMBLE_MM, true).map(({ x, y }): Point => [Math.round(x * 100) / 100, Math.round(y * 100) / 100]);
  const [first, last] = [plain[0]!, plain.at(-1)!];
  const isClosed = plain.length > 3 && Math.hypot(first[0] - last[0], first[1] - last[1]) <= CLOSING_MM;
  const corners = isClosed ? plain.slice(0, -1) : plain;
  if (corners.length < 2) return { ok: false, issues: [{ code: 'tooFewPlaces' }] };
  if (corners.length > MOST_CORNERS) return { ok: false, issues: [{ code: 'tooManyPlaces' }] };
  return { ok: true, value: { d: svgPath(throughCorners(corners, isClosed)), isClosed, findings: findingsOf(corners, isClosed) } };
}

function findingsOf(corners: readonly Point[], isClosed: boolean): OutlineFinding[] {
  const all = isClosed ? [...corners, corners[0]!] : corners;
  const pieces = all.slice(1).map((to, index) => [all[index]!, to] as const);
  const found: OutlineFinding[] = [];
  for (let one = 0; one < pieces.length; one += 1)
    for (let other = one + 1; other < pieces.length; other += 1) {
      const areNeighbors = other === one + 1 || (isClosed && one === 0 && other === pieces.length - 1);
      const at = areNeighbors ? null : crossing(pieces[one]!, pieces[other]!);
      if (at) found.push({ code: 'crossesItself', at });
    }
  if (found.length > 0) return found.slice(0, MOST_FOUND);
  const turns = isClosed ? corners.map((_, index) => index) : corners.slice(1, -1).map((_, index) => index + 1);
  for (const index of turns) {
    const [before, at, after] = [corners.at(index - 1)!, corners[index]!, corners[(index + 1) % corners.length]!];
    const degrees = angleAt(before, at, after);
    if (degrees < SHARP_DEGREES) found.push({ code: 'tooSharp', at, degrees });
  }
  const narrow = narrowest(corners, pieces, isClosed);
  if (narrow && narrow.mm < NEAR_MM) found.push({ code: 'tooNear', ...narrow });
  return found.slice(0, MOST_FOUND);
}

const MOST_FOUND = 12;

/** The inner angle of a corner, in degrees: 180 is straight on. */
function angleAt(before: Point, at: Point, after: Point): number {
  const [ax, ay, bx, by] = [before[0] - at[0], before[1] - at[1], after[0] - at[0], after[1] - at[1]];
  return (Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * 180) / Math.PI;
}

/** Finds where the path comes nearest to itself, its own neighborhood left out: parts that are farther along than they are wide. */
function narrowest(
  corners: readonly Point[],
  pieces: readonly (readonly [Point, Point])[],
  isClosed: boolean,
): { readonly at: Point; readonly mm: number } | null {
  const gone = [0];
  for (const [from, to] of pieces) gone.push(gone.at(-1)! + Math.hypot(to[0] - from[0], to[1] - from[1]));
  const whole = gone.at(-1)!;
  let best: { at: Point; mm: number } | null = null;
  corners.forEach((at, index) =>
    pieces.forEach(([from, to], piece) => {
      const along = Math.min(Math.abs(gone[piece]! - gone[index]!), Math.abs(gone[piece + 1]! - gone[index]!));
      const apart = isClosed
        ? Math.min(along, whole - Math.max(Math.abs(gone[piece]! - gone[index]!), Math.abs(gone[piece + 1]! - gone[index]!)))
        : along;
      if (apart < NEAR_MM * 3) return;
      const mm = distanceFrom(at, from, to);
      if (!best || mm < best.mm) best = { at, mm };
    }),
  );
  return best;
}

function crossing([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): Point | null {
  const [rx, ry, sx, sy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const cross = rx * sy - ry * sx;
  if (cross === 0) return null;
  const t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / cross;
  const u = ((c[0] - a[0]) * ry - (c[1] - a[1]) * rx) / cross;
  return t >= 0 && t <= 1 && u >= 0 && u <= 1 ? [a[0] + t * rx, a[1] + t * ry] : null;
}
