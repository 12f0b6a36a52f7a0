import type { Figure, Room, SheetFor } from '../figure';
import { box, line, words, type Mark } from '../scene';
import type { SheetOf } from '../../tasks';
import { lettersIn, wrapped } from '../wrap';
import { textOfSheet } from './letters';

const SHADE_SHARE = 0.5;
/** Set letters that are read from a table: their size beside the line that is written on. */
const MODEL_SHARE = 0.62;

/** A text to be copied, with lines under each of its sentences; the text on a card to be cut off where it hangs or lies elsewhere. */
export function copyFigures(spec: SheetOf<'copy'>, audience: SheetFor, room: Room): Figure[] {
  const lines = textOfSheet(spec, audience);
  const size = Math.min(14, Math.max(6, spec.lineMm * MODEL_SHARE)) * (audience.isLarge ? 1.25 : 1);
  const set = lines.flatMap((each) => wrapped(each, lettersIn(room.widthMm - 12, size)));
  const card: Figure = {
    widthMm: room.widthMm,
    heightMm: set.length * size * 1.45 + 8,
    marks: [
      ...(spec.onCard ? [box(0, 0, room.widthMm, set.length * size * 1.45 + 8, { widthMm: 0.3, tone: 'soft', dash: [2, 2] })] : []),
      ...set.map((each, index) => words(each, [6, 4 + size + index * size * 1.45], size)),
    ],
  };
  return [card, ruled(spec, lines, room)];
}

function ruled(spec: SheetOf<'copy'>, lines: readonly string[], room: Room): Figure {
  const { ruling, lineMm } = spec;
  if (ruling === 'letterBoxes' || ruling === 'wordBoxes') return boxed(spec, lines, room);
  if (ruling === 'grid' || ruling === 'columns') return columned(spec, lines, room);
  // Twice as many lines as the text has: hand-written letters are larger.
  const count = Math.max(3, lines.reduce((sum, each) => sum + Math.ceil((each.length * lineMm * 0.5) / room.widthMm), 0) + 1);
  const every = lineMm * 1.7;
  const marks: Mark[] = [];
  for (let index = 1; index <= count && ruling !== 'none'; index += 1) {
    const y = index * every;
    if (ruling === 'shaded')
      marks.push(box(0, y - lineMm * SHADE_SHARE, room.widthMm, lineMm * SHADE_SHARE, { widthMm: 0.15, tone: 'faint', fill: 'shade' }));
    marks.push(line([0, y], [room.widthMm, y], 0.5));
  }
  return { widthMm: room.widthMm, heightMm: count * every + 4, marks };
}

/** A box a letter, or a box a word. */
function boxed({ ruling, lineMm }: SheetOf<'copy'>, lines: readonly string[], room: Room): Figure {
  const marks: Mark[] = [];
  const [cell, high] = [lineMm, lineMm * 1.4];
  let [left, row] = [0, 0];
  for (const word of lines.flatMap((each) => each.split(/\s+/))) {
    const letters = [...word].length;
    if (left > 0 && left + letters * cell > room.widthMm) [left, row] = [0, row + 1];
    const top = row * (high + lineMm * 0.6) + 2;
    if (ruling === 'wordBoxes') marks.push(box(left, top, letters * cell, high));
    else for (let letter = 0; letter < letters; letter += 1) marks.push(box(left + letter * cell, top, cell, high));
    left += letters * cell + lineMm;
  }
  return { widthMm: room.widthMm, heightMm: (row + 1) * (high + lineMm * 0.6) + 4, marks };
}

/** Numbers in columns: a digit a box, lines between columns, or nothing but the place. */
function columned({ ruling, lineMm }: SheetOf<'copy'>, lines: readonly string[], room: Room): Figure {
  const digits = Math.max(...lines.map((each) => each.replace(/\s/g, '').length));
  const [across, down] = [digits + 1, lines.length + 2];
  const marks: Mark[] = [];
  for (let column = 0; column <= across; column += 1) {
    const x = column * lineMm;
    marks.push(line([x, 0], [x, down * lineMm], 0.35, ruling === 'grid' ? 'ink' : 'soft'));
  }
  if (ruling === 'grid')
    for (let row = 0; row <= down; row += 1) marks.push(line([0, row * lineMm], [across * lineMm, row * lineMm], 0.35));
  return { widthMm: Math.min(room.widthMm, across * lineMm), heightMm: down * lineMm, marks };
}
