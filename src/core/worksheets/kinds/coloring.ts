import { seededRandom, type Random } from '../../random';
import { circle, throughCorners, type Point } from '../curve';
import type { Figure, Room, SheetFor } from '../figure';
import { box, line, words, type Mark } from '../scene';
import type { SheetOf } from '../../tasks';

const GATE_BARS = 4;
/** Distance from the edge of the last strokes: the road that the eye follows. Our own choice. */
const EDGE_ROAD_MM = 5;

/** Regions to be filled up to their edges, whose weight says how far one may go. */
export function coloringFigures(spec: SheetOf<'coloring'>, { isLarge }: SheetFor, room: Room): Figure[] {
  if (spec.form === 'grid') return [gridFigure(spec, room, isLarge)];
  return Array.from({ length: spec.count }, () => region(spec, room));
}

function region({ form, sizeMm, edgeMm }: SheetOf<'coloring'>, room: Room): Figure {
  const pad = edgeMm / 2 + 1;
  const look = { widthMm: edgeMm };
  switch (form) {
    case 'band': {
      const long = Math.min(150, room.widthMm - 2 * pad);
      return withEdge([box(pad, pad, long, sizeMm, look)], long + 2 * pad, sizeMm + 2 * pad, [
        [pad, pad],
        [pad + long, pad],
        [pad + long, pad + sizeMm],
        [pad, pad + sizeMm],
      ]);
    }
    case 'frame': {
      const side = Math.min(110, room.widthMm - 2 * pad);
      return withEdge(
        [box(pad, pad, side, side, look), box(pad + sizeMm, pad + sizeMm, side - 2 * sizeMm, side - 2 * sizeMm, look)],
        side + 2 * pad,
        side + 2 * pad,
        [
          [pad, pad],
          [pad + side, pad],
          [pad + side, pad + side],
          [pad, pad + side],
        ],
      );
    }
    case 'ring': {
      const radius = 55;
      const at: Point = [radius + pad, radius + pad];
      const edge = [radius, radius - sizeMm].map((each): Mark => ({
        kind: 'path',
        curves: [circle(at, each)],
        widthMm: edgeMm,
        tone: 'ink',
        isClosed: true,
      }));
      return {
        widthMm: 2 * (radius + pad),
        heightMm: 2 * (radius + pad),
        marks: edge,
        roads: [{ path: [circle(at, radius - EDGE_ROAD_MM / 2)], widthMm: EDGE_ROAD_MM, endWidthMm: EDGE_ROAD_MM, isClosed: true }],
      };
    }
    default: {
      // A gate: a frame that is filled, with the grain of its boards left thin.
      const corners: Point[] = [
        [pad, pad],
        [pad + sizeMm, pad],
        [pad + sizeMm, pad + sizeMm],
        [pad, pad + sizeMm],
      ];
      const boards = Array.from({ length: GATE_BARS - 1 }, (_, index) => {
        const x = pad + (sizeMm * (index + 1)) / GATE_BARS;
        return line([x, pad + sizeMm * 0.08], [x, pad + sizeMm * 0.92], 0.3, 'faint');
      });
      return withEdge([...boards, box(pad, pad, sizeMm, sizeMm, look)], sizeMm + 2 * pad, sizeMm + 2 * pad, corners);
    }
  }
}

function withEdge(marks: Mark[], widthMm: number, heightMm: number, corners: Point[]): Figure {
  return {
    widthMm,
    heightMm,
    marks,
    roads: [{ path: throughCorners(corners, true), widthMm: EDGE_ROAD_MM, endWidthMm: EDGE_ROAD_MM, isClosed: true }],
  };
}

const COLORS = 4;

/** Boxes that say their color by a dot, a shape, a number or a sum, with the key that the helper fills in. */
function gridFigure({ sizeMm, edgeMm, code = 'numbers', count, seed }: SheetOf<'coloring'>, room: Room, isLarge: boolean): Figure {
  const chance = seededRandom(seed);
  const across = Math.max(1, Math.min(count, Math.floor(room.widthMm / sizeMm)));
  const key = 16;
  const marks: Mark[] = Array.from({ length: COLORS }, (_, color): Mark[] => {
    const left = color * 44;
    return [
      box(left, 0, 12, 12),
      ...signOf(code === 'sums' ? 'numbers' : code, color, [left + 6, 6], 9, chance),
      box(left + 15, 0, 22, 12, { widthMm: 0.3, tone: 'soft', dash: [1.5, 1.5] }),
    ];
  }).flat();
  for (let index = 0; index < count; index += 1) {
    const [left, top] = [(index % across) * sizeMm, key + Math.floor(index / across) * sizeMm];
    marks.push(
      box(left, top, sizeMm, sizeMm, { widthMm: edgeMm }),
      ...signOf(
        code,
        Math.floor(chance() * COLORS),
        [left + sizeMm / 2, top + sizeMm / 2],
        Math.min(isLarge ? 18 : 12, sizeMm * 0.4),
        chance,
      ),
    );
  }
  const rows = Math.ceil(count / across);
  const side: Point[] = [
    [0, 0],
    [sizeMm, 0],
    [sizeMm, sizeMm],
    [0, sizeMm],
  ];
  return {
    widthMm: Math.max(across * sizeMm, COLORS * 44),
    heightMm: key + rows * sizeMm,
    marks,
    roads: [{ path: throughCorners(side, true), widthMm: EDGE_ROAD_MM, endWidthMm: EDGE_ROAD_MM, isClosed: true }],
  };
}

function signOf(code: NonNullable<SheetOf<'coloring'>['code']>, color: number, [x, y]: Point, size: number, chance: Random): Mark[] {
  const number = color + 3;
  const text = (says: string) => [words(says, [x, y + size * 0.35], size, { anchor: 'middle', tone: 'soft' })];
  switch (code) {
    case 'dots':
      // Dots, as many as the color's index: the helper colors them before.
      return Array.from({ length: color + 1 }, (_, dot): Mark => ({
        kind: 'dot',
        at: [x + (dot - color / 2) * size * 0.3, y],
        radiusMm: size * 0.12,
        isFilled: false,
        tone: 'ink',
      }));
    case 'shapes':
      return [shapeSign(color, [x, y], size / 2)];
    case 'numbers':
      return text(String(number));
    case 'sums': {
      const first = 1 + Math.floor(chance() * (number - 1));
      return text(`${first} + ${number - first}`);
    }
  }
}

function shapeSign(color: number, [x, y]: Point, half: number): Mark {
  const corners: Point[][] = [
    [],
    [
      [x - half, y - half],
      [x + half, y - half],
      [x + half, y + half],
      [x - half, y + half],
    ],
    [
      [x, y - half],
      [x + half, y + half],
      [x - half, y + half],
    ],
    [
      [x, y - half],
      [x + half, y],
      [x, y + half],
      [x - half, y],
    ],
  ];
  const curves = color === 0 ? [circle([x, y], half)] : throughCorners(corners[color]!, true);
  return { kind: 'path', curves, widthMm: 0.5, tone: 'soft', isClosed: true };
}
