import { integrate } from './integrate';

/** A place on the sheet in mm, from the left and from the top. */
export type Point = readonly [x: number, y: number];

/** A piece of a path. An arc turns about its middle from an angle by another, in radians, growing clockwise on the sheet since y runs down. */
export type Curve =
  | { readonly kind: 'line'; readonly from: Point; readonly to: Point }
  | { readonly kind: 'quadratic'; readonly from: Point; readonly by: Point; readonly to: Point }
  | { readonly kind: 'cubic'; readonly from: Point; readonly by: readonly [Point, Point]; readonly to: Point }
  | {
      readonly kind: 'arc';
      readonly middle: Point;
      readonly radii: readonly [x: number, y: number];
      readonly start: number;
      readonly sweep: number;
    };

/** The place at a share of a curve's own parameter. @param share 0 to 1 */
export function pointAt(curve: Curve, share: number): Point {
  const rest = 1 - share;
  switch (curve.kind) {
    case 'line':
      return blend([rest, curve.from], [share, curve.to]);
    case 'quadratic':
      return blend([rest * rest, curve.from], [2 * rest * share, curve.by], [share * share, curve.to]);
    case 'cubic':
      return blend(
        [rest ** 3, curve.from],
        [3 * rest * rest * share, curve.by[0]],
        [3 * rest * share * share, curve.by[1]],
        [share ** 3, curve.to],
      );
    case 'arc': {
      const angle = curve.start + curve.sweep * share;
      return [curve.middle[0] + curve.radii[0] * Math.cos(angle), curve.middle[1] + curve.radii[1] * Math.sin(angle)];
    }
  }
}

/** How the place changes with the parameter: its way and how fast, in mm. */
export function velocityAt(curve: Curve, share: number): Point {
  const rest = 1 - share;
  switch (curve.kind) {
    case 'line':
      return blend([-1, curve.from], [1, curve.to]);
    case 'quadratic':
      return blend([-2 * rest, curve.from], [2 * (rest - share), curve.by], [2 * share, curve.to]);
    case 'cubic':
      return blend(
        [-3 * rest * rest, curve.from],
        [3 * rest * rest - 6 * rest * share, curve.by[0]],
        [6 * rest * share - 3 * share * share, curve.by[1]],
        [3 * share * share, curve.to],
      );
    case 'arc': {
      const angle = curve.start + curve.sweep * share;
      return [-curve.radii[0] * Math.sin(angle) * curve.sweep, curve.radii[1] * Math.cos(angle) * curve.sweep];
    }
  }
}

function blend(...parts: readonly (readonly [weight: number, point: Point])[]): Point {
  return [parts.reduce((sum, [weight, [x]]) => sum + weight * x, 0), parts.reduce((sum, [weight, [, y]]) => sum + weight * y, 0)];
}

/** Tolerance of a calculated length, in mm. */
const LENGTH_TOLERANCE = 1e-8;

/**
 * The length of a curve in mm: closed where it is a line or part of a circle, else by quadrature, within 1e-6 of itself, at cusps and loops, too.
 * @example lengthOf({ kind: 'line', from: [0, 0], to: [3, 4] }) // 5
 */
export function lengthOf(curve: Curve): number {
  if (curve.kind === 'line') return Math.hypot(curve.to[0] - curve.from[0], curve.to[1] - curve.from[1]);
  if (curve.kind === 'arc' && curve.radii[0] === curve.radii[1]) return Math.abs(curve.radii[0] * curve.sweep);
  return integrate((share) => Math.hypot(...velocityAt(curve, share)), 0, 1, LENGTH_TOLERANCE);
}

export const lengthOfPath = (path: readonly Curve[]): number => path.reduce((sum, curve) => sum + lengthOf(curve), 0);

export const startOf = (curve: Curve): Point => pointAt(curve, 0);
export const endOf = (curve: Curve): Point => pointAt(curve, 1);

/** A curve moved and, by a factor above 0, made larger or smaller about the origin before. */
export function placed(curve: Curve, [dx, dy]: Point, scale = 1): Curve {
  const at = ([x, y]: Point): Point => [x * scale + dx, y * scale + dy];
  switch (curve.kind) {
    case 'line':
      return { ...curve, from: at(curve.from), to: at(curve.to) };
    case 'quadratic':
      return { ...curve, from: at(curve.from), by: at(curve.by), to: at(curve.to) };
    case 'cubic':
      return { ...curve, from: at(curve.from), by: [at(curve.by[0]), at(curve.by[1])], to: at(curve.to) };
    case 'arc':
      return { ...curve, middle: at(curve.middle), radii: [curve.radii[0] * scale, curve.radii[1] * scale] };
  }
}

/** Mirrored about the upright line through 0: what is drawn for one hand, for the other. */
export function mirrored(path: readonly Curve[]): Curve[] {
  const at = ([x, y]: Point): Point => [-x, y];
  return path.map((curve): Curve => {
    switch (curve.kind) {
      case 'line':
        return { ...curve, from: at(curve.from), to: at(curve.to) };
      case 'quadratic':
        return { ...curve, from: at(curve.from), by: at(curve.by), to: at(curve.to) };
      case 'cubic':
        return { ...curve, from: at(curve.from), by: [at(curve.by[0]), at(curve.by[1])], to: at(curve.to) };
      case 'arc':
        return { ...curve, middle: at(curve.middle), start: Math.PI - curve.start, sweep: -curve.sweep };
    }
  });
}

/**
 * A path as corners so close that no straight line between two leaves it by more than the tolerance.
 * @param toleranceMm above 0
 */
export function flattened(path: readonly Curve[], toleranceMm = 0.05): Point[] {
  const points: Point[] = [];
  for (const curve of path) {
    if (points.length === 0) points.push(startOf(curve));
    if (curve.kind === 'line') points.push(curve.to);
    else bend(curve, 0, 1, points, toleranceMm, 0);
  }
  return points;
}

function bend(curve: Curve, from: number, to: number, points: Point[], tolerance: number, depth: number): void {
  const [a, b] = [pointAt(curve, from), pointAt(curve, to)];
  // Three places between, so that a bend that crosses its chord in the middle is seen.
  const off = [0.25, 0.5, 0.75].map((share) => distanceFrom(pointAt(curve, from + (to - from) * share), a, b));
  if (depth >= 12 || (depth >= 2 && Math.max(...off) <= tolerance)) {
    points.push(b);
    return;
  }
  const middle = (from + to) / 2;
  bend(curve, from, middle, points, tolerance, depth + 1);
  bend(curve, middle, to, points, tolerance, depth + 1);
}

/** How far a place is from the straight line between two others, in mm. */
export function distanceFrom([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const long = dx * dx + dy * dy;
  const share = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / long));
  return Math.hypot(x - ax - share * dx, y - ay - share * dy);
}

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The box around places. @throws RangeError where there are none */
export function boxAround(points: readonly Point[]): Box {
  if (points.length === 0) throw new RangeError('There is nothing to draw a box around');
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}

/** A path of straight lines through corners. */
export function throughCorners(corners: readonly Point[], isClosed = false): Curve[] {
  const all = isClosed ? [...corners, corners[0]!] : corners;
  return all.slice(1).map((to, index) => ({ kind: 'line', from: all[index]!, to }));
}

/** A whole circle, from the top, the way that a pencil goes round: to the left and down. */
export function circle(middle: Point, radius: number): Curve {
  return { kind: 'arc', middle, radii: [radius, radius], start: -Math.PI / 2, sweep: -2 * Math.PI };
}
