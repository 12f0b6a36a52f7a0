import { placed, pointAt, velocityAt, type Point } from './curve';
import { edgesOf } from './edges';
import type { SheetFor } from './figure';
import { boxAround } from './curve';
import { roadOf } from './kinds/road';
import type { SheetSpec } from '../tasks';

/** A place on the drawing that turns a number of the sheet when it is pulled. */
export interface Handle {
  /** As `turnablesOf` names it. */
  readonly key: string;
  /** In mm from the corner of what is drawn. */
  readonly at: Point;
  /** The way along which it is pulled, of length 1, and by how much the number changes for each mm. */
  readonly along: Point;
  readonly gain: number;
}

const AROUND_MM = 6;

/** The handles of a sheet's first figure; none where its numbers have no place on it. */
export function handlesOf(spec: SheetSpec, { isLeft }: Pick<SheetFor, 'isLeft'>): Handle[] {
  const corner = (key: string, size: number, offset = 0): Handle[] => [
    { key, at: [offset + size, offset + size], along: [Math.SQRT1_2, Math.SQRT1_2], gain: Math.SQRT2 },
  ];
  switch (spec.kind) {
    case 'road':
      return roadHandles(spec, isLeft);
    case 'strokes':
      return spec.hasModel ? [] : corner('sizeMm', spec.sizeMm, AROUND_MM);
    case 'coloring':
      return spec.form === 'gate' ? corner('sizeMm', spec.sizeMm, spec.edgeMm / 2 + 1) : [];
    case 'glueMarks':
      return spec.marks === 'rings' || spec.marks === 'boxes' || spec.marks === 'dots'
        ? spec.onCurve
          ? []
          : corner('sizeMm', spec.sizeMm, 1)
        : [];
    case 'snips':
      return [{ key: 'gapMm', at: [spec.gapMm, spec.deepMm], along: [1, 0], gain: 1 }];
    case 'strips':
      return [
        { key: 'widthMm', at: [spec.widthMm, spec.lengthMm / 2], along: [1, 0], gain: 1 },
        { key: 'lengthMm', at: [spec.widthMm / 2, spec.lengthMm], along: [0, 1], gain: 1 },
      ];
    case 'folds':
      return spec.way === 'fan' && spec.everyMm ? [{ key: 'everyMm', at: [20, spec.everyMm], along: [0, 1], gain: 1 }] : [];
    case 'joinDots':
      return [{ key: 'apartMm', at: [spec.dotMm / 2 + spec.apartMm, 8], along: [1, 0], gain: 1 }];
    default:
      return [];
  }
}

const ROAD_AROUND_MM = 4;
const STRIP_BESIDE_MM = 16;

function roadHandles(spec: Extract<SheetSpec, { kind: 'road' }>, isLeft: boolean): Handle[] {
  const raw = roadOf(spec, isLeft);
  if (raw.path.length === 0) return [];
  const around = boxAround(edgesOf(raw).flat());
  const shift: Point = [ROAD_AROUND_MM - around.left, (spec.onStrip ? STRIP_BESIDE_MM : ROAD_AROUND_MM) - around.top];
  const road = { ...raw, path: raw.path.map((curve) => placed(curve, shift)) };
  const [left] = edgesOf(road);
  const acrossAt = (edge: Point, middle: Point): Point => {
    const size = Math.hypot(edge[0] - middle[0], edge[1] - middle[1]) || 1;
    return [(edge[0] - middle[0]) / size, (edge[1] - middle[1]) / size];
  };
  const [first, last] = [road.path[0]!, road.path.at(-1)!];
  const start: Handle = { key: 'widthMm', at: left[0]!, along: acrossAt(left[0]!, pointAt(first, 0)), gain: 2 };
  const end: Handle = { key: 'endWidthMm', at: left.at(-1)!, along: acrossAt(left.at(-1)!, pointAt(last, 1)), gain: 2 };
  return [start, ...(road.isClosed ? [] : [end]), ...sizeHandle(spec, road.path)];
}

/** Returns the handle that makes the road longer or its bends wider, pulled on its middle. */
function sizeHandle({ path: form }: Extract<SheetSpec, { kind: 'road' }>, path: ReturnType<typeof roadOf>['path']): Handle[] {
  const middle = path[Math.floor(path.length / 2)]!;
  const at = pointAt(middle, path.length % 2 === 1 ? 0.5 : 0);
  const [vx, vy] = velocityAt(middle, path.length % 2 === 1 ? 0.5 : 0);
  const speed = Math.hypot(vx, vy) || 1;
  const end = pointAt(path.at(-1)!, 1);
  switch (form.form) {
    case 'straight':
    case 'zigzag':
      return [{ key: 'path.lengthMm', at: end, along: [1, 0], gain: 1 }];
    case 'arc':
    case 'wave':
      return [{ key: 'path.radiusMm', at, along: [vy / speed, -vx / speed], gain: 2 }];
    case 'circle':
      return [{ key: 'path.diameterMm', at, along: [vy / speed, -vx / speed], gain: -2 }];
    case 'house':
      return [{ key: 'path.lengthMm', at, along: [0, -1], gain: 4 }];
    default:
      return [];
  }
}
