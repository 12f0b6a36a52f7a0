import { seededRandom } from '../../random';
import { splitIntoCards } from '../../dose';
import { box, line, words, type Mark } from '../scene';
import type { Figure, Room, SheetFor } from '../figure';
import type { SheetOf } from '../../tasks';
import { circle, type Point } from '../curve';

const ROW_LINES = 3;

/** Rings, boxes, rows or a frame: where glue, a bit, a sticker or a hole goes. */
export function glueFigures(spec: SheetOf<'glueMarks'>, _audience: SheetFor, room: Room): Figure[] {
  const { marks: what, sizeMm } = spec;
  if (what === 'none') return [{ widthMm: room.widthMm, heightMm: room.heightMm, marks: [box(0, 0, room.widthMm, room.heightMm)] }];
  if (what === 'rows') {
    const every = Math.min(room.heightMm / ROW_LINES, sizeMm * 1.6);
    const lines = Array.from({ length: ROW_LINES }, (_, row) => line([0, (row + 1) * every], [room.widthMm, (row + 1) * every], 0.6));
    return [{ widthMm: room.widthMm, heightMm: ROW_LINES * every, marks: lines, aims: [{ distanceMm: sizeMm, widthMm: sizeMm / 2 }] }];
  }
  if (what === 'frame') {
    const [w, h] = [Math.min(room.widthMm, 150), Math.min(room.heightMm, 190)];
    const inner = sizeMm;
    return [
      {
        widthMm: w,
        heightMm: h,
        marks: [
          box(0, 0, w, h, { widthMm: 0.8 }),
          box(inner, inner, w - 2 * inner, h - 2 * inner, { widthMm: 0.3, tone: 'soft', dash: [2, 2] }),
        ],
        aims: [{ distanceMm: 100, widthMm: sizeMm }],
      },
    ];
  }
  const places = spec.onCurve ? onCurve(spec.count, room) : inRows(spec.count, sizeMm, room);
  const drawn = places.flatMap((at, index): Mark[] => [
    what === 'boxes'
      ? box(at[0] - sizeMm / 2, at[1] - sizeMm / 2, sizeMm, sizeMm)
      : what === 'dots'
        ? { kind: 'dot', at, radiusMm: sizeMm / 2, isFilled: true, tone: 'ink' }
        : { kind: 'path', curves: [circle(at, sizeMm / 2)], widthMm: 0.5, tone: 'ink', isClosed: true },
    ...(spec.areNumbered
      ? [words(String(index + 1), [at[0], at[1] + sizeMm * 0.13], sizeMm * 0.4, { anchor: 'middle', tone: 'soft' })]
      : []),
  ]);
  const aims = places
    .slice(1)
    .map((at, index) => ({ distanceMm: Math.hypot(at[0] - places[index]![0], at[1] - places[index]![1]), widthMm: sizeMm }));
  const right = Math.max(...places.map(([x]) => x)) + sizeMm / 2 + 1;
  const bottom = Math.max(...places.map(([, y]) => y)) + sizeMm / 2 + 1;
  return [{ widthMm: right, heightMm: bottom, marks: drawn, aims }];
}

/** From this size on marks stand close, so that enough of them fit. */
const LARGE_MM = 50;

function inRows(count: number, sizeMm: number, room: Room): Point[] {
  const every = sizeMm + (sizeMm < LARGE_MM ? 8 : 1);
  const most = Math.max(1, Math.floor((room.widthMm + every - sizeMm - 2 + 1e-9) / every));
  // About as wide as high, and no more rows than there is room for.
  const rows = Math.max(1, Math.floor((room.heightMm + every - sizeMm - 2) / every));
  const across = Math.min(most, Math.max(Math.ceil(Math.sqrt(count * 1.2)), Math.ceil(count / rows)));
  return Array.from({ length: count }, (_, index) => [
    1 + sizeMm / 2 + (index % across) * every,
    1 + sizeMm / 2 + Math.floor(index / across) * every,
  ]);
}

function onCurve(count: number, room: Room): Point[] {
  const radius = Math.min(room.widthMm, room.heightMm) / 2 - 12;
  return Array.from({ length: count }, (_, index) => {
    const angle = Math.PI + (index / Math.max(1, count - 1)) * Math.PI;
    return [room.widthMm / 2 + radius * Math.cos(angle), radius + 12 + radius * Math.sin(angle)];
  });
}

const CARD: readonly [width: number, height: number] = [58, 42];

/** Cards whose numbers add up to what is to be done, with so many dots to count. */
export function countCardFigures(spec: SheetOf<'countCards'>, { isLarge }: SheetFor): Figure[] {
  const numbers = splitIntoCards(spec.sum, spec.cards, boundsOf(spec)[0], boundsOf(spec)[1], seededRandom(spec.seed)) ?? [];
  return numbers.map((number) => ({
    widthMm: CARD[0],
    heightMm: CARD[1],
    marks: [
      box(0, 0, ...CARD, { widthMm: 0.3, tone: 'soft', dash: [2, 2] }),
      words(String(number), [CARD[0] / 2, 24], isLarge ? 22 : 17, { anchor: 'middle', isBold: true }),
      ...Array.from({ length: number }, (_, dot): Mark => ({
        kind: 'dot',
        at: [5 + (dot % 10) * 5.2, 31 + Math.floor(dot / 10) * 4],
        radiusMm: 1.4,
        isFilled: false,
        tone: 'ink',
      })),
    ],
  }));
}

/** The smallest and the largest number of a card: near the mean, so that a sum is always found. */
export function boundsOf({ sum, cards }: Pick<SheetOf<'countCards'>, 'sum' | 'cards'>): readonly [number, number] {
  const mean = sum / cards;
  return [Math.max(1, Math.floor(mean) - 2), Math.ceil(mean) + 2];
}

/** Round things to be drawn around, or holes to be drawn inside: where each is laid. */
export function aroundFigures(spec: SheetOf<'around'>): Figure[] {
  const circles: { at: Point; radius: number }[] = [];
  let left = 2;
  for (const diameter of spec.diametersMm) {
    const radius = diameter / 2;
    const top = Math.max(...spec.diametersMm) / 2 + 2;
    circles.push({ at: [left + radius, top], radius });
    left += diameter + (spec.areTouching ? 0 : 8);
  }
  const height = Math.max(...spec.diametersMm) + 4;
  return [
    {
      widthMm: left + 2,
      heightMm: height,
      marks: circles.map(({ at, radius }): Mark => ({
        kind: 'path',
        curves: [circle(at, radius)],
        widthMm: spec.isHole ? 0.9 : 0.4,
        tone: spec.isHole ? 'ink' : 'soft',
        ...(!spec.isHole && { dash: [1.5, 3] as const }),
        isClosed: true,
      })),
    },
  ];
}

/** Dots to be joined by lines, from side to side, so far apart. */
export function joinDotFigures(spec: SheetOf<'joinDots'>, _audience: SheetFor, room: Room): Figure[] {
  const across = Math.max(2, Math.floor((room.widthMm - spec.dotMm) / spec.apartMm) + 1);
  const points = Array.from({ length: spec.count }, (_, index): Point => {
    const row = Math.floor(index / across);
    const place = index % across;
    // Back and forth, so that the way never jumps.
    return [spec.dotMm / 2 + (row % 2 === 0 ? place : across - 1 - place) * spec.apartMm, 8 + row * spec.apartMm];
  });
  const marks = points.flatMap((at, index): Mark[] => [
    { kind: 'dot', at, radiusMm: spec.dotMm / 2, isFilled: true, tone: 'ink' },
    words(String(index + 1), [at[0] + spec.dotMm / 2 + 1, at[1] - spec.dotMm / 2], 4, { tone: 'soft' }),
  ]);
  return [
    {
      widthMm: Math.max(...points.map(([x]) => x)) + spec.dotMm / 2 + 5,
      heightMm: Math.max(...points.map(([, y]) => y)) + spec.dotMm,
      marks,
      aims: points.slice(1).map(() => ({ distanceMm: spec.apartMm, widthMm: spec.dotMm })),
    },
  ];
}

/** Cards to be cut out: pairs to match, hands to call, or places to tick off. */
export function tokenFigures(spec: SheetOf<'tokens'>): Figure[] {
  const size = spec.sizeMm;
  const frame = box(0, 0, size, size, { widthMm: 0.3, tone: 'soft', dash: [2, 2] });
  return Array.from({ length: spec.count }, (_, index): Figure => {
    const inside =
      spec.what === 'ticks'
        ? [words(String(index + 1), [size / 2, size * 0.66], size * 0.42, { anchor: 'middle', isBold: true })]
        : spec.what === 'hands'
          ? handMarks(size, index % 2 === 0)
          : pairMarks(size, seededRandom(spec.seed + Math.floor(index / 2)));
    return { widthMm: size, heightMm: size, marks: [frame, ...inside] };
  });
}

/** A palm with fingers up and its thumb to the inner side; told apart by the thumb and by an arrow to its side. */
function handMarks(size: number, isLeft: boolean): Mark[] {
  const side = isLeft ? 1 : -1;
  const at = (x: number, y: number): Point => [size / 2 + side * x * size, y * size];
  const finger = (x: number, top: number): Mark => line(at(x, 0.55), at(x, top), size * 0.07);
  return [
    { kind: 'path', curves: [circle([size / 2, size * 0.6], size * 0.17)], widthMm: 0.6, tone: 'ink', isClosed: true, fill: 'shade' },
    ...[
      [-0.12, 0.24],
      [-0.04, 0.18],
      [0.04, 0.2],
      [0.12, 0.27],
    ].map(([x, top]) => finger(x!, top!)),
    line(at(0.14, 0.62), at(0.3, 0.46), size * 0.07),
    line(at(0, 0.9), at(-0.3, 0.9), 0.8),
    line(at(-0.3, 0.9), at(-0.22, 0.86), 0.8),
    line(at(-0.3, 0.9), at(-0.22, 0.94), 0.8),
  ];
}

/** A pattern of four by four that two cards share. */
function pairMarks(size: number, chance: () => number): Mark[] {
  const cell = size / 6;
  return Array.from({ length: 16 }, (_, index): Mark[] => {
    const filled = chance() < 0.45;
    return filled ? [box(size / 6 + (index % 4) * cell, size / 6 + Math.floor(index / 4) * cell, cell, cell, { fill: 'ink' })] : [];
  }).flat();
}
