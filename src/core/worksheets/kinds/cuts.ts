import { box, line, type Mark } from '../scene';
import type { Figure, Room, SheetFor } from '../figure';
import type { SheetOf } from '../../tasks';
import type { Point } from '../curve';

const STRIP_LONG_MM = 150;
/** A wide mark is a band that a snip may fall into anywhere. */
const WIDE_MARK_MM = 6;
const THIN_MARK_MM = 0.6;

/** Strips whose edge is snipped to a fringe, with a mark for each snip or none. */
export function snipFigures(spec: SheetOf<'snips'>, _audience: SheetFor, room: Room): Figure[] {
  const long = Math.min(STRIP_LONG_MM, room.widthMm);
  const snips = Math.floor(long / spec.gapMm) - 1;
  const height = spec.deepMm * 2;
  const marks: Mark[] = [box(0, 0, long, height)];
  const roads: Figure['roads'][] = [];
  const wide = spec.marks === 'wide' ? WIDE_MARK_MM : THIN_MARK_MM;
  for (let snip = 1; snip <= snips; snip += 1) {
    const x = snip * spec.gapMm;
    if (spec.marks === 'wide') marks.push(box(x - wide / 2, 0, wide, spec.deepMm, { widthMm: 0.3, tone: 'soft', fill: 'shade' }));
    if (spec.marks === 'thin') marks.push(line([x, 0], [x, spec.deepMm], wide));
    if (spec.marks !== 'none')
      roads.push([
        {
          path: [{ kind: 'line', from: [x, 0], to: [x, spec.deepMm] }],
          widthMm: Math.max(wide, 2),
          endWidthMm: Math.max(wide, 2),
          isClosed: false,
        },
      ]);
  }
  const figure: Figure = { widthMm: long, heightMm: height, marks, roads: roads.flatMap((each) => each ?? []) };
  return Array.from({ length: spec.count }, () => figure);
}

/** Strips and tiles to be cut off and torn, edge to edge, with a mark where the grown-up notches or tears half way. */
export function stripFigures(spec: SheetOf<'strips'>, _audience: SheetFor, room: Room): Figure[] {
  const across = Math.max(1, Math.floor(room.widthMm / spec.widthMm));
  const perSheet = across * Math.max(1, Math.floor(room.heightMm / spec.lengthMm));
  const sheets = Math.ceil(spec.count / perSheet);
  return Array.from({ length: sheets }, (_, sheet) => {
    const here = Math.min(perSheet, spec.count - sheet * perSheet);
    const marks = Array.from({ length: here }, (__, index) =>
      oneStrip(spec, [(index % across) * spec.widthMm, Math.floor(index / across) * spec.lengthMm]),
    ).flat();
    return { widthMm: Math.min(here, across) * spec.widthMm, heightMm: Math.ceil(here / across) * spec.lengthMm, marks };
  });
}

function oneStrip({ widthMm, lengthMm, mark, notchMm = 20 }: SheetOf<'strips'>, [left, top]: Point): Mark[] {
  const middle = left + widthMm / 2;
  const marks: Mark[] = [box(left, top, widthMm, lengthMm, { widthMm: 0.4 })];
  const deep = mark === 'half' ? lengthMm / 2 : Math.min(notchMm, lengthMm / 2);
  if (mark !== 'none') marks.push(line([middle, top], [middle, top + deep], 0.5, 'soft', [2, 1.5]));
  return marks;
}
