import type { ShapeId } from '../tasks';
import { strokesFrom, type Stroke } from './strokes';

/** Each shape in a box of 1 by 1, y growing upwards, in the usual order and way: from the top, from the left. Order and way: common practice, no source. */
const FORMS: Readonly<Record<ShapeId, string>> = {
  vertical: 'M.5 1L.5 0',
  horizontal: 'M0 .5L1 .5',
  circle: 'A.5 .5 .5 .5 90 360',
  cross: 'M.5 1L.5 0|M0 .5L1 .5',
  bracket: 'M0 1L0 0L1 0',
  cCurve: 'A.5 .5 .5 .5 45 270',
  uCurve: 'M0 1L0 .5A.5 .5 .5 .5 180 180L1 1',
  slantLeft: 'M1 1L0 0',
  slantRight: 'M0 1L1 0',
  square: 'M0 1L0 0|M0 1L1 1L1 0L0 0',
  nCurve: 'M0 0L0 .5A.5 .5 .5 .5 180 -180L1 0',
  zigzag: 'M0 .25L.25 .75L.5 .25L.75 .75L1 .25',
  wave: 'A.125 .5 .125 .2 180 -180A.375 .5 .125 .2 180 180A.625 .5 .125 .2 180 -180A.875 .5 .125 .2 180 180',
  x: 'M0 1L1 0|M1 1L0 0',
  rectangle: 'M0 .8L0 .2|M0 .8L1 .8L1 .2L0 .2',
  spiral:
    'A.5 .5 .08 .08 0 180A.56 .5 .14 .14 180 180A.5 .5 .2 .2 0 180A.56 .5 .26 .26 180 180A.5 .5 .32 .32 0 180A.56 .5 .38 .38 180 180A.5 .5 .44 .44 0 180',
  triangle: 'M.5 1L0 0|M.5 1L1 0|M0 0L1 0',
  star: 'M.5 1L.5 0|M0 .5L1 .5|M.12 .88L.88 .12|M.88 .88L.12 .12',
  loops: 'M0 .2A.2 .5 .17 .3 -90 360A.5 .5 .17 .3 -90 360A.8 .5 .17 .3 -90 360L1 .2',
  overlap: 'A.34 .5 .34 .34 90 360|A.66 .5 .34 .34 90 360',
  house: 'M.1 .6L.1 0|M.1 .6L.9 .6L.9 0L.1 0|M.5 1L.1 .6|M.5 1L.9 .6|M.42 .3L.42 0|M.42 .3L.58 .3L.58 0',
  diamond: 'M.5 1L0 .5L.5 0|M.5 1L1 .5L.5 0',
};

/** A house with less to it and with more: drawn from a model, and from memory. */
const MORE: Readonly<Record<string, string>> = {
  boxWithRoof: FORMS.house.split('|').slice(0, 4).join('|'),
  houseWithWindows: `${FORMS.house}|M.2 .5L.2 .35|M.2 .5L.35 .5L.35 .35L.2 .35|M.65 .5L.65 .35|M.65 .5L.8 .5L.8 .35L.65 .35`,
};

/** The strokes of a shape, in the order in which they are made; null for a shape that we don't know. */
export function strokesOfShape(shape: string): readonly Stroke[] | null {
  const form = (FORMS as Readonly<Record<string, string>>)[shape] ?? MORE[shape];
  return form === undefined ? null : strokesFrom(form);
}

export const SHAPES_DRAWN = Object.keys(FORMS) as ShapeId[];
