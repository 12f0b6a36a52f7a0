import { flattened, type Point } from './curve';
import type { Road } from './steer';

/** A corner's edge may stand out so many half widths at most; past it, it is cut off. */
const LONGEST_MITER = 4;

/**
 * The two edges of a road as corners, in mm: each half a width from the middle, with sharp corners where it turns. Of a closed road both come back to their start.
 */
export function edgesOf({ path, widthMm, endWidthMm, isClosed }: Road): readonly [left: readonly Point[], right: readonly Point[]] {
  const raw = flattened(path).filter(
    (point, index, all) => index === 0 || Math.hypot(point[0] - all[index - 1]![0], point[1] - all[index - 1]![1]) > 1e-9,
  );
  const comesBack = isClosed && Math.hypot(raw[0]![0] - raw.at(-1)![0], raw[0]![1] - raw.at(-1)![1]) < 1e-6;
  const points = comesBack ? raw.slice(0, -1) : raw;
  const count = points.length;
  const gone = [0];
  for (let index = 1; index < count; index += 1)
    gone.push(gone[index - 1]! + Math.hypot(points[index]![0] - points[index - 1]![0], points[index]![1] - points[index - 1]![1]));
  const long = gone.at(-1)! || 1;
  const normalOf = (from: Point, to: Point): Point => {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const length = Math.hypot(dx, dy);
    return [dy / length, -dx / length];
  };
  const side = (sign: 1 | -1): Point[] => {
    const edge = points.map((point, index): Point => {
      const before = index > 0 ? points[index - 1]! : comesBack ? points[count - 1]! : null;
      const after = index < count - 1 ? points[index + 1]! : comesBack ? points[0]! : null;
      const half = ((widthMm + (endWidthMm - widthMm) * (gone[index]! / long)) / 2) * sign;
      const [one, other] = [before && normalOf(before, point), after && normalOf(point, after)];
      const [nx, ny] = one && other ? [one[0] + other[0], one[1] + other[1]] : (one ?? other ?? [0, 0]);
      const size = Math.hypot(nx, ny);
      // A path that turns right back has no corner to go out to.
      if (size < 1e-9) return [point[0] + (one ?? [0, 0])[0] * half, point[1] + (one ?? [0, 0])[1] * half];
      const stretch = one && other ? Math.min(LONGEST_MITER, 2 / size) : 1;
      return [point[0] + (nx / size) * half * stretch, point[1] + (ny / size) * half * stretch];
    });
    return comesBack ? [...edge, edge[0]!] : edge;
  };
  return [side(1), side(-1)];
}
