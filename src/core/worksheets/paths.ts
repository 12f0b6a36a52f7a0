import { lengthOfPath, placed, throughCorners, type Curve, type Point } from './curve';
import { parsePath } from './parsePath';
import type { PathSpec } from '../tasks';

/** The turn between neighbors of a zigzag's pieces. */
const ZIGZAG_DEGREES = 90;

/** The middle of a road from its parameters, somewhere near the origin. Lengths are true along the path. */
export function pathOf(spec: PathSpec): { readonly path: readonly Curve[]; readonly isClosed: boolean } {
  const open = (path: readonly Curve[]) => ({ path, isClosed: false });
  switch (spec.form) {
    case 'straight':
      return open(
        throughCorners([
          [0, 0],
          [spec.lengthMm, 0],
        ]),
      );
    case 'zigzag': {
      const piece = spec.lengthMm / (spec.corners + 1);
      const slope = ((ZIGZAG_DEGREES / 2) * Math.PI) / 180;
      const corners = Array.from({ length: spec.corners + 2 }, (_, index): Point => [
        index * piece * Math.cos(slope),
        index % 2 === 0 ? 0 : -piece * Math.sin(slope),
      ]);
      return open(throughCorners(corners));
    }
    case 'arc': {
      const angle = Math.min(spec.lengthMm / spec.radiusMm, 2 * Math.PI - 0.2);
      const radius = spec.lengthMm / angle;
      return open([{ kind: 'arc', middle: [0, 0], radii: [radius, radius], start: -Math.PI / 2 - angle / 2, sweep: angle }]);
    }
    case 'wave':
      return open(wave(spec.bends, spec.radiusMm, (spec.bendDegrees * Math.PI) / 180));
    case 'circle': {
      const radius = spec.diameterMm / 2;
      return { path: [{ kind: 'arc', middle: [0, 0], radii: [radius, radius], start: Math.PI / 2, sweep: -2 * Math.PI }], isClosed: true };
    }
    case 'spiral':
      return open(spiral(spec.turns, spec.gapMm));
    case 'house':
      return { path: house(spec), isClosed: true };
    case 'own': {
      const read = parsePath(spec.d);
      return { path: read.ok ? read.value : [], isClosed: spec.isClosed };
    }
  }
}

/** Bends down the page, to one side and the other. */
function wave(bends: number, radius: number, angle: number): Curve[] {
  const path: Curve[] = [];
  let at: Point = [0, 0];
  let heading = Math.PI / 2 - angle / 2;
  for (let bend = 0; bend < bends; bend += 1) {
    const sign = bend % 2 === 0 ? 1 : -1;
    const toMiddle = heading + (sign * Math.PI) / 2;
    const middle: Point = [at[0] + radius * Math.cos(toMiddle), at[1] + radius * Math.sin(toMiddle)];
    const start = toMiddle + Math.PI;
    const sweep = sign * angle;
    path.push({ kind: 'arc', middle, radii: [radius, radius], start, sweep });
    at = [middle[0] + radius * Math.cos(start + sweep), middle[1] + radius * Math.sin(start + sweep)];
    heading += sweep;
  }
  return path;
}

/** From the outside in, by half circles, each smaller by half a gap. */
function spiral(turns: number, gap: number): Curve[] {
  const halves = Math.max(2, Math.round(turns * 2));
  const path: Curve[] = [];
  let x = 0;
  for (let half = halves; half > 0; half -= 1) {
    const radius = (half * gap) / 2;
    const goesRight = (halves - half) % 2 === 0;
    const middle: Point = [goesRight ? x + radius : x - radius, 0];
    path.push({ kind: 'arc', middle, radii: [radius, radius], start: goesRight ? Math.PI : 0, sweep: Math.PI });
    x = goesRight ? x + 2 * radius : x - 2 * radius;
  }
  return path;
}

/** Walls and a roof, with a doorway and a chimney where they are asked for, as long round as it says. */
function house({ lengthMm, hasDoor, hasChimney }: Extract<PathSpec, { form: 'house' }>): Curve[] {
  const corners: Point[] = [
    [0, 60],
    [0, 20],
    [30, 0],
    ...(hasChimney
      ? ([
          [40, 6.667],
          [40, -8],
          [50, -8],
          [50, 13.333],
        ] satisfies Point[])
      : []),
    [60, 20],
    [60, 60],
    ...(hasDoor
      ? ([
          [40, 60],
          [40, 38],
          [20, 38],
          [20, 60],
        ] satisfies Point[])
      : []),
  ];
  const raw = throughCorners(corners, true);
  const scale = lengthMm / lengthOfPath(raw);
  return raw.map((curve) => placed(curve, [0, 0], scale));
}
