import { box, line, LINE_MM, type Mark } from '../scene';
import type { Figure, Room, SheetFor } from '../figure';
import type { SheetOf } from '../../tasks';
import { throughCorners, type Point, type Curve } from '../curve';
import type { Road } from '../steer';
import { edgesOf } from '../edges';

const FOLD: readonly [number, number] = [6, 3];
const BAND_MM = 10;
const DOT_MM = 2.5;

/**
 * A sheet that is folded, as large as the room: where it is folded, and what shows where its edges meet. Of a fan the folds lie across.
 */
export function foldFigures(spec: SheetOf<'folds'>, _audience: SheetFor, room: Room): Figure[] {
  const [w, h] = [room.widthMm, room.heightMm];
  const at = foldLines(spec, w, h);
  const marks: Mark[] = [box(0, 0, w, h, { widthMm: 0.6 })];
  if (spec.guide === 'lines') for (const [from, to] of at) marks.push(line(from, to, LINE_MM, 'soft', FOLD));
  if (spec.guide === 'band') {
    const bands = spec.way === 'thirds' ? [h / 3, (2 * h) / 3] : [0];
    for (const y of bands) marks.push(box(0, y, w, BAND_MM, { widthMm: 0.3, tone: 'soft', fill: 'shade' }));
  }
  if (spec.guide === 'dots')
    for (const corner of dotsOf(spec.way, w, h)) marks.push({ kind: 'dot', at: corner, radiusMm: DOT_MM, isFilled: true, tone: 'ink' });
  return [
    {
      widthMm: w,
      heightMm: h,
      marks,
      // Edge on edge: as far as the sheet is brought over, as near as it has to lie.
      aims: spec.withinMm
        ? [{ distanceMm: spec.way === 'fan' ? spec.everyMm! : spec.way === 'thirds' ? h / 3 : h / 2, widthMm: spec.withinMm }]
        : [],
    },
  ];
}

function foldLines({ way, everyMm }: SheetOf<'folds'>, w: number, h: number): (readonly [Point, Point])[] {
  const across = (y: number): readonly [Point, Point] => [
    [0, y],
    [w, y],
  ];
  switch (way) {
    case 'half':
      return [across(h / 2)];
    case 'quarter':
      return [
        across(h / 2),
        [
          [w / 2, 0],
          [w / 2, h],
        ],
      ];
    case 'thirds':
      return [across(h / 3), across((2 * h) / 3)];
    case 'fan': {
      const every = everyMm ?? 25;
      return Array.from({ length: Math.max(0, Math.ceil(h / every) - 1) }, (_, index) => across((index + 1) * every));
    }
  }
}

/** Dots that are brought on one another. */
function dotsOf(way: SheetOf<'folds'>['way'], w: number, h: number): Point[] {
  const edge = 4;
  const rows = way === 'thirds' ? [edge, (2 * h) / 3 - edge] : [edge, h - edge];
  return rows.flatMap((y): Point[] => [
    [edge, y],
    [w - edge, y],
  ]);
}

/** Half a window drawn on a fold, so that one cut opens it whole; folded twice, a quarter of it at the corner of the folds. */
export function halfShapeFigures(spec: SheetOf<'halfShape'>, _audience: SheetFor, room: Room): Figure[] {
  const foldX = room.widthMm / 2;
  const middle = room.heightMm / 2;
  const marks: Mark[] = [line([foldX, 0], [foldX, room.heightMm], LINE_MM, 'soft', FOLD)];
  if (spec.folds === 2) marks.push(line([0, middle], [room.widthMm, middle], LINE_MM, 'soft', FOLD));
  if (spec.hasCornerDots)
    for (const corner of [
      [4, 4],
      [room.widthMm - 4, 4],
      [4, room.heightMm - 4],
      [room.widthMm - 4, room.heightMm - 4],
    ] as Point[])
      marks.push({ kind: 'dot', at: corner, radiusMm: DOT_MM, isFilled: true, tone: 'ink' });
  const path = halfWindow(spec, foldX, middle);
  const road: Road = { path, widthMm: spec.widthMm, endWidthMm: spec.widthMm, isClosed: false };
  for (const edge of edgesOf(road)) marks.push({ kind: 'path', curves: throughCorners(edge), widthMm: 0.7, tone: 'ink' });
  marks.push({ kind: 'path', curves: path, widthMm: 0.3, tone: 'soft', dash: [3, 2.5] });
  return [{ widthMm: room.widthMm, heightMm: room.heightMm, marks, roads: [road] }];
}

/** From the fold round to the fold, or to the other fold, so long as it says. */
function halfWindow({ sides, folds, lengthMm }: SheetOf<'halfShape'>, foldX: number, middle: number): Curve[] {
  if (sides === 'curved') {
    const turn = folds === 2 ? Math.PI / 2 : Math.PI;
    const radius = lengthMm / turn;
    return [{ kind: 'arc', middle: [foldX, middle], radii: [radius, radius], start: -Math.PI / 2, sweep: turn }];
  }
  if (folds === 2) {
    const side = lengthMm / 2;
    return throughCorners([
      [foldX, middle - side],
      [foldX + side, middle - side],
      [foldX + side, middle],
    ]);
  }
  // Out a quarter, down a half, back a quarter.
  const [out, down] = [lengthMm / 4, lengthMm / 2];
  return throughCorners([
    [foldX, middle - down / 2],
    [foldX + out, middle - down / 2],
    [foldX + out, middle + down / 2],
    [foldX, middle + down / 2],
  ]);
}
