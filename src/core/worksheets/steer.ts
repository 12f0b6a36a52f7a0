import { requireAbove } from '../whole';
import { steeringIndex } from '../knobs';
import { lengthOfPath, velocityAt, type Curve } from './curve';

/** A way to be kept to: its middle, and how far apart its edges are where it begins and where it ends. Between, the width changes evenly with the way gone. */
export interface Road {
  readonly path: readonly Curve[];
  readonly widthMm: number;
  readonly endWidthMm: number;
  readonly isClosed: boolean;
}

/**
 * How hard a road is to keep to, as the number of its own widths that it is long: ∫ ds / W(s) along the very path that is drawn (the steering law, Accot & Zhai
 * 1997). The length comes by quadrature; a width that changes evenly along it is integrated in closed form, so the error is that of the length, within 1e-6.
 * @throws RangeError for widths that are not above 0
 * @example roadWidths({ path: [line of 250], widthMm: 50, endWidthMm: 8, isClosed: false }) // 10.908
 */
export function roadWidths({ path, widthMm, endWidthMm }: Road): number {
  requireAbove('widthMm', widthMm, 0);
  requireAbove('endWidthMm', endWidthMm, 0);
  return steeringIndex(lengthOfPath(path), widthMm, endWidthMm);
}

/** The width of the straight road of the same length that is as hard, in mm. */
export function evenWidth(road: Road): number {
  return lengthOfPath(road.path) / roadWidths(road);
}

/**
 * The tightest turn of a path as the radius of the circle that hugs it there, in mm; Infinity where it is straight; 0 at a corner sharper than the angle given.
 * @param cornerDegrees from which a corner counts as one: 0 to 180
 */
export function tightestTurn(path: readonly Curve[], cornerDegrees = 30): number {
  let tightest = Infinity;
  path.forEach((curve, index) => {
    if (curve.kind === 'arc') {
      const [a, b] = curve.radii;
      tightest = Math.min(tightest, (Math.min(a, b) * Math.min(a, b)) / Math.max(a, b));
    } else if (curve.kind !== 'line') {
      for (let part = 0; part <= TURN_SAMPLES; part += 1) tightest = Math.min(tightest, radiusAt(curve, part / TURN_SAMPLES));
    }
    const next = path[index + 1];
    if (next && turnBetween(curve, next) > (cornerDegrees * Math.PI) / 180) tightest = 0;
  });
  return tightest;
}

const TURN_SAMPLES = 64;
const NUDGE = 1e-4;

function radiusAt(curve: Curve, share: number): number {
  const [before, after] = [Math.max(0, share - NUDGE), Math.min(1, share + NUDGE)];
  const [dx, dy] = velocityAt(curve, share);
  const [ax, ay] = velocityAt(curve, before);
  const [bx, by] = velocityAt(curve, after);
  const speed = Math.hypot(dx, dy);
  const [ddx, ddy] = [(bx - ax) / (after - before), (by - ay) / (after - before)];
  const cross = Math.abs(dx * ddy - dy * ddx);
  return cross < 1e-12 ? Infinity : speed ** 3 / cross;
}

/** How far the way turns between a curve's end and the next one's start, in radians. */
export function turnBetween(curve: Curve, next: Curve): number {
  const [ax, ay] = velocityAt(curve, 1);
  const [bx, by] = velocityAt(next, 0);
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));
}
