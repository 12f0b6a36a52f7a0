import { circle, type Point } from '../curve';
import type { Figure, Room, SheetFor } from '../figure';
import { box, line, words, type Mark } from '../scene';
import type { SheetOf } from '../../tasks';
import { lettersIn, wrapped } from '../wrap';

const NEAR_EDGE_MM = 14;
const WORD_MM = 5;

/** The table from above: a place for each thing on its side, for this child's hand; the child sits at the near edge, and the midline is dashed. */
export function placematFigures({ table = [], isLarge }: SheetFor, { widthMm: w, heightMm: h }: Room): Figure[] {
  const size = isLarge ? WORD_MM * 1.4 : WORD_MM;
  const near = h - NEAR_EDGE_MM;
  const marks: Mark[] = [box(0, 0, w, near, { widthMm: 0.8 }), line([w / 2, 4], [w / 2, near - 4], 0.4, 'faint', [4, 3])];
  // The person at the table: shoulders and a head at the near edge.
  marks.push({ kind: 'path', curves: [circle([w / 2, near + 8], 5)], widthMm: 0.6, tone: 'ink', isClosed: true, fill: 'shade' });
  const bySide = (side: NonNullable<SheetFor['table']>[number]['side']) =>
    table.filter((each) => each.side === side).map(({ what }) => what);
  const [far, left, right, middle] = (['far', 'left', 'right', 'middle'] as const).map(bySide);
  const third = near / 3;
  place(marks, far!, [w * 0.25, 8], [w * 0.5, third - 16], size);
  place(marks, left!, [6, third + 4], [w * 0.32, third * 1.6], size);
  place(marks, right!, [w * 0.68 - 6, third + 4], [w * 0.32, third * 1.6], size);
  place(marks, middle!, [w * 0.36, third + 4], [w * 0.28, third * 1.6], size);
  return [{ widthMm: w, heightMm: h, marks }];
}

/** Things one under the other, each with a frame of its own; nothing where none lies there. */
function place(marks: Mark[], things: readonly string[], [x, y]: Point, [width, height]: Point, size: number): void {
  const each = height / Math.max(1, things.length);
  things.forEach((thing, index) => {
    const top = y + index * each;
    marks.push(box(x, top, width, each - 4, { widthMm: 0.5, tone: 'soft', dash: [3, 2] }));
    wrapped(thing, lettersIn(width - 6, size)).forEach((text, row) =>
      marks.push(words(text, [x + width / 2, top + size * 1.6 + row * size * 1.25], size, { anchor: 'middle' })),
    );
  });
}

const STONE_MM = 15;

/** A way of stones, one a task, with so many places to cross off as there are sessions. */
export function stoneFigures({ sessions }: SheetOf<'stones'>, { stones = [], isLarge }: SheetFor, { widthMm }: Room): Figure[] {
  const size = isLarge ? 6.5 : 4.6;
  const left = 2 * STONE_MM + 74;
  const side = Math.min(9, (widthMm - left) / sessions - 2);
  return stones.map((title, index): Figure => {
    const shift = index % 2 === 0 ? 0 : STONE_MM * 0.8;
    const middle: Point = [STONE_MM + shift, STONE_MM];
    const marks: Mark[] = [
      {
        kind: 'path',
        curves: [{ kind: 'arc', middle, radii: [STONE_MM, STONE_MM * 0.72], start: 0, sweep: 2 * Math.PI }],
        widthMm: 0.7,
        tone: 'ink',
        isClosed: true,
      },
      words(String(index + 1), [middle[0], middle[1] + 3], 9, { anchor: 'middle', isBold: true }),
      ...wrapped(title, lettersIn(66, size)).map((text, row) =>
        words(text, [2 * STONE_MM + shift + 4, STONE_MM - 3 + row * size * 1.25], size),
      ),
      ...Array.from({ length: sessions }, (_, session) =>
        box(left + session * (side + 2), STONE_MM - side / 2, side, side, { widthMm: 0.5 }),
      ),
    ];
    return { widthMm, heightMm: 2 * STONE_MM - 4, marks };
  });
}
