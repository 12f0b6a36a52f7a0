import { say } from '../../text';
import type { Figure, Room, SheetFor } from '../figure';
import { letterOf, type Letter } from '../letterStrokes';
import { box, line, type Mark } from '../scene';
import type { Cue, SheetOf } from '../../tasks';
import { forHand } from '../strokes';
import { cueMarks, moved, way } from './strokeMarks';

/** Between letters, and between words, in heights of the middle zone. */
const GAP = 0.55;
const SPACE = 1.3;
/** A traced letter may be off by so much of the height of its middle zone. Our own choice. */
const OFF_SHARE = 0.4;

interface Set {
  readonly letter: Letter;
  /** From the left of its line, in mm. */
  readonly left: number;
}

/** The words of a sheet, with the child's own name in place. */
export function textOfSheet(spec: SheetOf<'letters' | 'copy'>, { language, name }: Pick<SheetFor, 'language' | 'name'>): string[] {
  return say(spec.text, language)
    .replaceAll('{child}', name)
    .replaceAll('{first}', [...name][0] ?? '')
    .split('|')
    .map((each) => each.trim());
}

/** Characters of a text that have no strokes. */
export function unknownLetters(lines: readonly string[]): string[] {
  return [...new Set(lines.flatMap((each) => [...each.normalize('NFC')]).filter((character) => character !== ' ' && !letterOf(character)))];
}

/** Letters, numerals or a name, line by line, on boxes or lines, each as a cue shows it. */
export function letterFigures(spec: SheetOf<'letters'>, audience: SheetFor, room: Room): Figure[] {
  const lines = textOfSheet(spec, audience).flatMap((each) => broken(each, spec.xHeightMm, room.widthMm));
  const model = spec.hasModel ? lines.map((each) => lineOf(each, spec, audience, 'model')) : [];
  return [...model, ...Array.from({ length: spec.rows }, () => lines.map((each) => lineOf(each, spec, audience, spec.cue))).flat()];
}

/** A line broken at its spaces, or where it must between letters, so that each piece fits. */
function broken(text: string, xHeight: number, widthMm: number): string[] {
  const pieces: string[] = [];
  let piece = '';
  for (const word of text.split(/\s+/)) {
    const both = piece ? `${piece} ${word}` : word;
    if (widthOf(both, xHeight) <= widthMm) piece = both;
    else {
      if (piece) pieces.push(piece);
      piece = '';
      for (const character of word) {
        if (piece && widthOf(piece + character, xHeight) > widthMm) {
          pieces.push(piece);
          piece = '';
        }
        piece += character;
      }
    }
  }
  return piece ? [...pieces, piece] : pieces;
}

const EDGE = 0.5;

function placedLetters(text: string, xHeight: number): { readonly set: readonly Set[]; readonly widthMm: number } {
  const set: Set[] = [];
  let at = EDGE * xHeight;
  for (const character of text.normalize('NFC')) {
    if (character === ' ') {
      at += (SPACE - GAP) * xHeight;
      continue;
    }
    const letter = letterOf(character);
    if (!letter) continue;
    set.push({ letter, left: at });
    at += (Math.max(letter.width, 0.35) + GAP) * xHeight;
  }
  return { set, widthMm: at - GAP * xHeight + EDGE * xHeight };
}

const widthOf = (text: string, xHeight: number) => placedLetters(text, xHeight).widthMm;

function lineOf(text: string, { ruling, xHeightMm: x }: SheetOf<'letters'>, { isLeft }: SheetFor, cue: Cue | 'model'): Figure {
  const { set, widthMm } = placedLetters(text, x);
  const over = Math.max(2, ...set.map(({ letter }) => letter.over));
  const under = Math.max(0.6, ...set.map(({ letter }) => letter.under));
  const base = (over + 0.3) * x;
  const height = base + (under + 0.3) * x;
  const strokesOf = ({ letter, left }: Set) => moved(forHand(letter.strokes, isLeft), [left, base], x);
  if (cue === 'model')
    return {
      widthMm,
      heightMm: height,
      marks: [
        box(0, 0, widthMm, height, { widthMm: 0.3, tone: 'soft', dash: [2, 2] }),
        ...set.flatMap((each) => strokesOf(each).map((stroke) => way(stroke, Math.max(0.7, x / 14)))),
      ],
    };
  const marks: Mark[] = [];
  if (ruling === 'boxes')
    for (const { letter, left } of set)
      marks.push(
        box(left - 0.2 * x, base - letter.over * x, (Math.max(letter.width, 0.35) + 0.4) * x, (letter.over + letter.under) * x, {
          widthMm: 0.35,
          tone: 'soft',
        }),
      );
  const rule = (y: number, width: number, dash?: readonly [number, number]): Mark =>
    line([0, y], [widthMm, y], width, dash ? 'soft' : 'ink', dash);
  if (ruling === 'two') marks.push(rule(base - x, 0.35, [2.5, 2]));
  if (ruling === 'two' || ruling === 'one') marks.push(rule(base, 0.5));
  const startOnly = cue === 'box';
  for (const each of set) {
    const strokes = strokesOf(each);
    if (startOnly) {
      const [first] = strokes;
      if (first) marks.push(...cueMarks([first], 'endDots', x).filter((mark) => mark.kind === 'dot' && mark.isFilled));
    } else marks.push(...cueMarks(strokes, cue, x * 1.6));
  }
  // The difficulty is that of one letter: how many are on a line makes none of them harder.
  const roads = (set[0] ? strokesOf(set[0]) : []).map((path) => ({
    path,
    widthMm: OFF_SHARE * x,
    endWidthMm: OFF_SHARE * x,
    isClosed: false,
  }));
  return { widthMm, heightMm: height, marks, roads };
}
