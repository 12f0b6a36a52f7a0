import type { Curve, Point } from './curve';

/** How dark a mark is: what is worked on, what helps, what only says. All are black ink, thinner or broken. */
export type Tone = 'ink' | 'soft' | 'faint';

/** Something drawn, in mm from the left and from the top. The same marks become the picture on the screen and the sheet of paper. */
export type Mark =
  | {
      readonly kind: 'path';
      /** Pieces that follow on one another; a new way begins where one does not. */
      readonly curves: readonly Curve[];
      readonly widthMm: number;
      readonly tone: Tone;
      /** Drawn and left out by turns, in mm. */
      readonly dash?: readonly [drawn: number, left: number];
      readonly isClosed?: boolean;
      readonly fill?: 'shade' | 'ink' | 'paper';
    }
  | { readonly kind: 'dot'; readonly at: Point; readonly radiusMm: number; readonly isFilled: boolean; readonly tone: Tone }
  | {
      readonly kind: 'text';
      readonly at: Point;
      readonly text: string;
      /** The height of its capitals is about seven tenths of it. */
      readonly sizeMm: number;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly isBold?: boolean;
      readonly tone: Tone;
    };

/** A side of paper with everything on it. */
export interface Scene {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly Mark[];
}

export const LINE_MM = 0.5;
export const THICK_MM = 1.2;

export const line = (from: Point, to: Point, widthMm = LINE_MM, tone: Tone = 'ink', dash?: readonly [number, number]): Mark => ({
  kind: 'path',
  curves: [{ kind: 'line', from, to }],
  widthMm,
  tone,
  ...(dash && { dash }),
});

export function box(left: number, top: number, width: number, height: number, look: Partial<Extract<Mark, { kind: 'path' }>> = {}): Mark {
  const corners: Point[] = [
    [left, top],
    [left + width, top],
    [left + width, top + height],
    [left, top + height],
  ];
  return {
    kind: 'path',
    curves: corners.map((from, index) => ({ kind: 'line', from, to: corners[(index + 1) % 4]! })),
    widthMm: LINE_MM,
    tone: 'ink',
    isClosed: true,
    ...look,
  };
}

export const words = (text: string, at: Point, sizeMm: number, look: Partial<Extract<Mark, { kind: 'text' }>> = {}): Mark => ({
  kind: 'text',
  at,
  text,
  sizeMm,
  anchor: 'start',
  tone: 'ink',
  ...look,
});
