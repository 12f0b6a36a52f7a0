import { groupBy } from '../../groupBy';
import { flattened, lengthOf, pointAt, startOf, endOf, placed, type Curve, type Point } from '../curve';
import { line, LINE_MM, THICK_MM, words, type Mark } from '../scene';
import type { Cue } from '../../tasks';
import type { Stroke } from '../strokes';
import { turnBetween } from '../steer';

/** From this turn on a corner counts as one. */
const CORNER_RADIANS = (35 * Math.PI) / 180;
const DOT_EVERY_MM = 5;

/**
 * Strokes as a cue shows them. Where there is anything to see, a dot says where to begin, a number which stroke comes when, an arrow which way it goes.
 * @param strokes in mm, where they stand
 * @param unitMm the size of what is drawn: marks keep in proportion
 */
export function cueMarks(strokes: readonly Stroke[], cue: Cue, unitMm: number): Mark[] {
  const dot = Math.min(2.6, Math.max(0.7, unitMm / 14));
  const begins = strokes.map((stroke) => startOf(stroke[0]!));
  const ends = strokes.map((stroke) => endOf(stroke.at(-1)!));
  const starts = (): Mark[] =>
    strokes.flatMap((stroke, index) => [
      { kind: 'dot', at: begins[index]!, radiusMm: dot, isFilled: true, tone: 'ink' } as const,
      ...(strokes.length > 1 ? [numberBeside(String(index + 1), stroke, dot)] : []),
    ]);
  switch (cue) {
    case 'full':
      return [
        ...strokes.map((stroke) => way(stroke, THICK_MM * 1.6, 'faint')),
        ...strokes.flatMap((stroke) => arrowOn(stroke, unitMm)),
        ...starts(),
      ];
    case 'dots':
      return [
        ...strokes.map(
          (stroke): Mark => ({ ...way(stroke, dot * 0.9, 'ink'), dash: [0.01, Math.max(2.2, Math.min(DOT_EVERY_MM, unitMm / 7))] }) as Mark,
        ),
        ...strokes.flatMap((stroke) => arrowOn(stroke, unitMm)),
        ...starts(),
      ];
    case 'fewerDots':
      return [
        ...strokes.flatMap((stroke) =>
          turnsOf(stroke).map((at): Mark => ({ kind: 'dot', at, radiusMm: dot * 0.6, isFilled: true, tone: 'ink' })),
        ),
        ...ends.map((at) => ring(at, dot)),
        ...starts(),
      ];
    case 'endDots':
      return [...ends.map((at) => ring(at, dot)), ...starts()];
    case 'numbered': {
      const places = strokes.flatMap((stroke) => [startOf(stroke[0]!), ...turnsOf(stroke), endOf(stroke.at(-1)!)]);
      // Strokes that meet share one dot, which bears the numbers of all of them.
      const met = groupBy(
        places.map((at, index) => ({ at, number: index + 1 })),
        ({ at }) => `${Math.round(at[0])} ${Math.round(at[1])}`,
      );
      return [...met.values()].flatMap((here): Mark[] => {
        const { at } = here[0]!;
        const numbers = here.map(({ number }) => number).join(' ');
        return [
          { kind: 'dot', at, radiusMm: dot * 0.7, isFilled: true, tone: 'ink' },
          words(numbers, [at[0] + dot * 1.4, at[1] - dot], Math.max(3, dot * 2.2), { tone: 'soft' }),
        ];
      });
    }
    case 'box':
    case 'blank':
      return [];
  }
}

export const way = (stroke: Stroke, widthMm = LINE_MM, tone: 'ink' | 'soft' | 'faint' = 'ink'): Mark => ({
  kind: 'path',
  curves: stroke,
  widthMm,
  tone,
});

const ring = (at: Point, radiusMm: number): Mark => ({ kind: 'dot', at, radiusMm, isFilled: false, tone: 'ink' });

/** Returns the turns of a stroke: its corners, and on a curve every quarter of a turn. */
function turnsOf(stroke: Stroke): Point[] {
  return stroke.flatMap((curve, index) => {
    const inner: Point[] = [];
    if (curve.kind === 'arc') {
      const quarters = Math.max(1, Math.round(Math.abs(curve.sweep) / (Math.PI / 2)));
      for (let quarter = 1; quarter < quarters; quarter += 1) inner.push(pointAt(curve, quarter / quarters));
    }
    const next = stroke[index + 1];
    return next && turnBetween(curve, next) > CORNER_RADIANS ? [...inner, endOf(curve)] : inner;
  });
}

/** A small arrow a third of the way along, where the stroke is long enough for one. */
function arrowOn(stroke: Stroke, unitMm: number): Mark[] {
  const size = Math.min(4, Math.max(1.6, unitMm / 12));
  const curve = stroke.reduce((longest, each) => (lengthOf(each) > lengthOf(longest) ? each : longest));
  if (lengthOf(curve) < size * 3) return [];
  const [at, ahead] = [pointAt(curve, 0.28), pointAt(curve, 0.3)];
  const angle = Math.atan2(ahead[1] - at[1], ahead[0] - at[0]);
  const back = (turn: number): Point => [at[0] - size * Math.cos(angle + turn), at[1] - size * Math.sin(angle + turn)];
  return [line(back(0.5), at, LINE_MM), line(back(-0.5), at, LINE_MM)];
}

/** The number of a stroke, beside its start and away from where it goes. */
function numberBeside(text: string, stroke: Stroke, dot: number): Mark {
  const points = flattened([stroke[0]!]);
  const [from, to] = [points[0]!, points[Math.min(points.length - 1, 3)]!];
  const angle = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const size = Math.max(2.6, dot * 2);
  const far = dot + size * 0.6;
  return words(text, [from[0] - far * Math.cos(angle - 0.6), from[1] - far * Math.sin(angle - 0.6) + size * 0.35], size, {
    anchor: 'middle',
    tone: 'soft',
  });
}

export const moved = (strokes: readonly Stroke[], by: Point, scale = 1): Stroke[] =>
  strokes.map((stroke) => stroke.map((curve: Curve) => placed(curve, by, scale)));
