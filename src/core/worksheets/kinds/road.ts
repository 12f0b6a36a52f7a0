import { boxAround, flattened, placed, pointAt, throughCorners, velocityAt, type Point } from '../curve';
import { edgesOf } from '../edges';
import type { Figure, SheetFor } from '../figure';
import { pathOf } from '../paths';
import { line, LINE_MM, type Mark } from '../scene';
import type { SheetOf } from '../../tasks';
import { mirrored } from '../curve';
import type { Road } from '../steer';

const AROUND_MM = 4;
/** How far a strip goes on beside the road across it. */
const STRIP_BESIDE_MM = 16;

/** The road of a sheet, as it is drawn, at the origin of its figure. A left hand cuts and goes the other way round: its road is mirrored. */
export function roadOf(spec: SheetOf<'road'>, isLeft: boolean): Road {
  const { path, isClosed } = pathOf(spec.path);
  return { path: isLeft ? mirrored(path) : path, widthMm: spec.widthMm, endWidthMm: spec.endWidthMm ?? spec.widthMm, isClosed };
}

/** Roads to be cut, torn or traced: two edges with a thin middle to look at where one cuts. */
export function roadFigures(spec: SheetOf<'road'>, { isLeft }: SheetFor): Figure[] {
  const raw = roadOf(spec, isLeft);
  const around = boxAround(edgesOf(raw).flat());
  const beside = spec.onStrip ? STRIP_BESIDE_MM : AROUND_MM;
  const shift: Point = [AROUND_MM - around.left, beside - around.top];
  const road: Road = { ...raw, path: raw.path.map((curve) => placed(curve, shift)) };
  const [one, other] = edgesOf(road);
  const height = around.bottom - around.top + 2 * beside;
  const marks: Mark[] = [one, other].map((edge): Mark => ({ kind: 'path', curves: throughCorners(edge), widthMm: 0.7, tone: 'ink' }));
  if (spec.use !== 'tear') marks.push({ kind: 'path', curves: road.path, widthMm: 0.3, tone: 'soft', dash: [3, 2.5] });
  if (spec.onStrip) {
    const ends = [pointAt(road.path[0]!, 0)[0], pointAt(road.path.at(-1)!, 1)[0]];
    for (const x of ends) marks.push(line([x, 0], [x, height], 0.4, 'soft'));
  }
  if (!road.isClosed || spec.use === 'trace') marks.push(...startArrow(road));
  const drawn = boxAround([...one, ...other, ...flattened(road.path)]);
  const figure: Figure = { widthMm: drawn.right + AROUND_MM, heightMm: height, marks, roads: [road] };
  return Array.from({ length: spec.count }, () => figure);
}

/** An arrow at the mouth of the road, on the way that it goes. */
function startArrow({ path, widthMm }: Road): Mark[] {
  const [at, along] = [pointAt(path[0]!, 0), velocityAt(path[0]!, 0)];
  const angle = Math.atan2(along[1], along[0]);
  const size = Math.min(4, Math.max(1.5, widthMm / 3));
  const tip: Point = [at[0] + size * Math.cos(angle), at[1] + size * Math.sin(angle)];
  const back = (turn: number): Point => [tip[0] - size * Math.cos(angle + turn), tip[1] - size * Math.sin(angle + turn)];
  return [line(back(0.6), tip, LINE_MM), line(back(-0.6), tip, LINE_MM)];
}
