import type { Figure, SheetFor } from '../figure';
import { box, type Mark } from '../scene';
import { strokesOfShape } from '../shapeStrokes';
import type { SheetOf } from '../../tasks';
import { forHand, type Stroke } from '../strokes';
import { cueMarks, moved, way } from './strokeMarks';

/** Distance by which a stroke may be off and still start and end in the right place: a fingertip. Common practice, no source. */
export const FINGERTIP_MM = 12;
/** Around what is drawn, so that a stroke that goes over has room. */
const AROUND_MM = 6;

/** Shapes and strokes to be drawn, so many on the sheet, each as a cue shows it. */
export function strokeFigures(spec: SheetOf<'strokes'>, { isLeft }: SheetFor): Figure[] {
  const base = strokesOfShape(spec.shape) ?? [];
  // Figures with a direction are drawn the same for both hands; only single lines across change theirs.
  const strokes = forHand(base, isLeft);
  const one = (cue: SheetOf<'strokes'>['cue'], sizeMm: number): Figure => figureOf(strokes, cue, sizeMm);
  const model: Figure[] = spec.hasModel ? [modelCard(strokes, Math.min(60, spec.sizeMm))] : [];
  return [...model, ...Array.from({ length: spec.count }, () => one(spec.cue, spec.sizeMm))];
}

function figureOf(strokes: readonly Stroke[], cue: SheetOf<'strokes'>['cue'], sizeMm: number): Figure {
  const drawn = moved(strokes, [AROUND_MM, AROUND_MM + sizeMm], sizeMm);
  const side = sizeMm + 2 * AROUND_MM;
  const frame: Mark[] = cue === 'box' ? [box(0, 0, side, side, { widthMm: 0.8 })] : [];
  return {
    widthMm: side,
    heightMm: side,
    marks: [...frame, ...cueMarks(drawn, cue, sizeMm)],
    roads: drawn.map((path) => ({ path, widthMm: FINGERTIP_MM, endWidthMm: FINGERTIP_MM, isClosed: false })),
  };
}

/** Draws the model to copy from, in a dashed frame to be cut off. */
export function modelCard(strokes: readonly Stroke[], sizeMm: number): Figure {
  const side = sizeMm + 20;
  return {
    widthMm: side,
    heightMm: side,
    marks: [
      box(0, 0, side, side, { widthMm: 0.3, tone: 'soft', dash: [2, 2] }),
      ...moved(strokes, [10, 10 + sizeMm], sizeMm).map((stroke) => way(stroke, 1.4)),
    ],
  };
}
