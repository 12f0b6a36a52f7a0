import type { Curve, Point } from './curve';

/** A stroke made without lifting, in the order and the way in which it is made. */
export type Stroke = readonly Curve[];

const DEGREE = Math.PI / 180;

/**
 * Strokes from the short form that shapes and letters are written in, y growing upwards: strokes parted by a bar, M and L with a place, A with middle, radii, the
 * angle where it begins and by how much it turns, in degrees, against the clock where it is above 0. An arc is joined to what came before by a line where there is a gap.
 * @throws Error for a form that is none: they are our own, and tested
 */
export function strokesFrom(form: string): Stroke[] {
  return form.split('|').map((part) => {
    const curves: Curve[] = [];
    let at: Point | null = null;
    for (const [, letter, given] of part.matchAll(/([MLA])([^MLA]*)/g)) {
      const numbers = given!.trim().split(/\s+/).map(Number);
      if (numbers.some((number) => !Number.isFinite(number))) throw new Error(`${form} is not a list of strokes`);
      if (letter === 'A') {
        const [x, y, rx, ry, start, turn] = numbers as [number, number, number, number, number, number];
        const arc: Curve = { kind: 'arc', middle: [x, -y], radii: [rx, ry], start: -start * DEGREE, sweep: -turn * DEGREE };
        const begin: Point = [x + rx * Math.cos(start * DEGREE), -y - ry * Math.sin(start * DEGREE)];
        if (at && Math.hypot(at[0] - begin[0], at[1] - begin[1]) > 1e-6) curves.push({ kind: 'line', from: at, to: begin });
        curves.push(arc);
        at = [x + rx * Math.cos((start + turn) * DEGREE), -y - ry * Math.sin((start + turn) * DEGREE)];
      } else {
        const to: Point = [numbers[0]!, -numbers[1]!];
        if (letter === 'L') curves.push({ kind: 'line', from: at!, to });
        at = to;
      }
    }
    return curves;
  });
}

/**
 * The strokes as a left hand makes them: a line across on its own is pulled, from right to left. Common practice, no source.
 */
export function forHand(strokes: readonly Stroke[], isLeft: boolean): readonly Stroke[] {
  if (!isLeft) return strokes;
  return strokes.map((stroke) => {
    const [only] = stroke;
    if (stroke.length !== 1 || only!.kind !== 'line' || Math.abs(only!.from[1] - only!.to[1]) > 1e-9 || only!.to[0] < only!.from[0])
      return stroke;
    return [{ ...only!, from: only!.to, to: only!.from }];
  });
}
