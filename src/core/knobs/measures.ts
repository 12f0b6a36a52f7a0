/** Physical measures of a level. Lengths in mm, force in newtons, mass in grams, time in seconds; all above 0. */
export interface Measures {
  /** Size of the item across the opening or gap that it goes into. */
  readonly itemMm?: number | undefined;
  /** Width of the opening, target or gap. */
  readonly openingMm?: number | undefined;
  /** How far the hand travels to the target. */
  readonly distanceMm?: number | undefined;
  readonly pathLengthMm?: number | undefined;
  readonly pathWidthMm?: number | undefined;
  /** Width at the far end of a path that narrows; the same as `pathWidthMm` where nothing is said. */
  readonly pathEndWidthMm?: number | undefined;
  readonly forceN?: number | undefined;
  readonly massG?: number | undefined;
  readonly count?: number | undefined;
  readonly seconds?: number | undefined;
}

export const MEASURES = [
  'itemMm',
  'openingMm',
  'distanceMm',
  'pathLengthMm',
  'pathWidthMm',
  'pathEndWidthMm',
  'forceN',
  'massG',
  'count',
  'seconds',
] as const satisfies readonly (keyof Measures)[];
export type MeasureName = (typeof MEASURES)[number];
