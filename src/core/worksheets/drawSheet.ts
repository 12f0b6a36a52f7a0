import type { PaperSize } from '../print';
import { bad, good, type Result } from '../result';
import type { Figure, Room, SheetFor } from './figure';
import { figuresOf } from './figuresOf';
import { textOfSheet, unknownLetters } from './kinds/letters';
import { placed, type Point } from './curve';
import { line, words, type Mark, type Scene } from './scene';
import type { SheetSpec } from '../tasks';
import { lettersIn, wrapped } from './wrap';

/** ISO 216 and ANSI A, in mm. */
export const PAPER_MM: Readonly<Record<PaperSize, readonly [width: number, height: number]>> = { letter: [215.9, 279.4], a4: [210, 297] };
/** Margin that any printer can print up to. Common practice, no source: most leave 4 to 6 mm, some 12 at the foot. */
export const MARGIN_MM = 12.7;
const GAP_MM = 8;
const HEAD_MM = 27;
const FOOT_MM = 13;

/** Text of a worksheet besides its drawing, in the family's language. */
export interface SheetWords {
  /** Before the line on which the name is written. */
  readonly name: string;
  /** The task and its step. */
  readonly title: string;
  /** Instruction, in the step's own words. */
  readonly how: string;
  /** Beside the line of 50 mm: "50 mm, check me". */
  readonly check: string;
}

export interface SheetOptions {
  readonly spec: SheetSpec;
  readonly paper: PaperSize;
  readonly audience: SheetFor;
  readonly words: SheetWords;
}

export type SheetIssue =
  /** The drawing is larger than the printable area. */
  | { readonly code: 'doesNotFit'; readonly neededMm: readonly [number, number]; readonly roomMm: readonly [number, number] }
  | { readonly code: 'noStrokes'; readonly letters: string }
  | { readonly code: 'unknownShape'; readonly shape: string }
  | { readonly code: 'tooManyPages'; readonly pages: number; readonly most: number }
  | { readonly code: 'nothingDrawn' };

/**
 * A step's sheet, page by page, to scale: the name line, the step's words, what is worked on, and two lines to check the printer by. The same wish gives the same sheet.
 * Faults come back: what does not fit, letters without strokes, a shape that nobody knows.
 */
export function drawSheet({ spec, paper, audience, words: given }: SheetOptions): Result<readonly Scene[], SheetIssue> {
  // Stones are of a whole session, and of no one task.
  const says = spec.kind === 'stones' ? { ...given, title: '', how: audience.name } : given;
  const [width, height] = PAPER_MM[paper];
  const head = headMarks(says, audience, width);
  const room: Room = { widthMm: width - 2 * MARGIN_MM, heightMm: height - 2 * MARGIN_MM - head.heightMm - FOOT_MM };
  const fault = faultOf(spec, audience);
  if (fault) return bad(fault);
  const figures = figuresOf(spec, audience, room);
  const tooLarge = figures.find((figure) => figure.widthMm > room.widthMm + 0.01 || figure.heightMm > room.heightMm + 0.01);
  if (tooLarge) return bad({ code: 'doesNotFit', neededMm: [tooLarge.widthMm, tooLarge.heightMm], roomMm: [room.widthMm, room.heightMm] });
  if (figures.length === 0) return bad({ code: 'nothingDrawn' });
  const laid = laidOut(figures, room);
  if (laid.length > MOST_PAGES) return bad({ code: 'tooManyPages', pages: laid.length, most: MOST_PAGES });
  const top = MARGIN_MM + head.heightMm;
  return good(
    laid.map((page) => ({
      widthMm: width,
      heightMm: height,
      marks: [
        ...head.marks,
        ...page.flatMap(({ figure, at }) => figure.marks.map((mark) => shifted(mark, [MARGIN_MM + at[0], top + at[1]]))),
        ...footMarks(says, width, height),
      ],
    })),
  );
}

/** Returns the origin of the drawing, in mm from the left and from the top of the paper. */
export function originOf({ paper, audience, words: says }: Omit<SheetOptions, 'spec'>): Point {
  return [MARGIN_MM, MARGIN_MM + headMarks(says, audience, PAPER_MM[paper][0]).heightMm];
}

function faultOf(spec: SheetSpec, audience: SheetFor): SheetIssue | null {
  if (spec.kind === 'letters') {
    const unknown = unknownLetters(textOfSheet(spec, audience));
    if (unknown.length > 0) return { code: 'noStrokes', letters: unknown.join(' ') };
  }
  if (
    spec.kind === 'strokes' &&
    figuresOf(spec, audience, { widthMm: 1, heightMm: 1 }).some(({ marks, roads }) => marks.length === 0 && roads?.length === 0)
  )
    return { code: 'unknownShape', shape: spec.shape };
  return null;
}

/** More is a slip of the hand, and holds a server up. */
const MOST_PAGES = 12;

interface Laid {
  readonly figure: Figure;
  readonly at: Point;
}

/** Row by row, from the top left, a new page where one is full. */
function laidOut(figures: readonly Figure[], room: Room): Laid[][] {
  const pages: Laid[][] = [[]];
  let [left, top, rowHeight] = [0, 0, 0];
  for (const figure of figures) {
    if (left > 0 && left + figure.widthMm > room.widthMm + 0.01) [left, top, rowHeight] = [0, top + rowHeight + GAP_MM, 0];
    if (top > 0 && top + figure.heightMm > room.heightMm + 0.01) {
      pages.push([]);
      [left, top, rowHeight] = [0, 0, 0];
    }
    pages.at(-1)!.push({ figure, at: [left, top] });
    left += figure.widthMm + GAP_MM;
    rowHeight = Math.max(rowHeight, figure.heightMm);
  }
  return pages;
}

function headMarks(
  { name, title, how }: SheetWords,
  { isLarge }: SheetFor,
  width: number,
): { readonly marks: readonly Mark[]; readonly heightMm: number } {
  const size = isLarge ? 6.3 : 4.2;
  const small = isLarge ? 5.2 : 3.5;
  const top = MARGIN_MM + size;
  const nameWide = name.length * small * 0.62 + 2;
  const lines = wrapped(how, lettersIn(width - 2 * MARGIN_MM, size));
  const marks: Mark[] = [
    words(name, [MARGIN_MM, top], small),
    line([MARGIN_MM + nameWide, top + 1], [MARGIN_MM + nameWide + 62, top + 1], 0.3),
    words(title, [width - MARGIN_MM, top], small, { anchor: 'end', tone: 'soft' }),
    ...lines.map((each, index) => words(each, [MARGIN_MM, top + 4 + size * 1.4 * (index + 1)], size, { isBold: true })),
  ];
  return { marks, heightMm: Math.max(HEAD_MM, size + 8 + size * 1.4 * lines.length) };
}

const CHECK_MM = 50;
const INCH_MM = 25.4;

/** A line of 50 mm and one of 2 in: whoever lays a ruler on them sees whether the printer shrank the sheet. */
function footMarks({ check }: SheetWords, width: number, height: number): Mark[] {
  const y = height - MARGIN_MM - 1;
  const ruler = (left: number, long: number): Mark[] => [
    line([left, y], [left + long, y], 0.4),
    line([left, y - 1.6], [left, y + 0.8], 0.4),
    line([left + long, y - 1.6], [left + long, y + 0.8], 0.4),
  ];
  const right = width - MARGIN_MM - 2 * INCH_MM;
  return [
    ...ruler(MARGIN_MM, CHECK_MM),
    words(check, [MARGIN_MM + 1.5, y - 2], 3.2),
    ...ruler(right, 2 * INCH_MM),
    words('2 in', [right + 1.5, y - 2], 3.2),
  ];
}

function shifted(mark: Mark, by: Point): Mark {
  if (mark.kind === 'path') return { ...mark, curves: mark.curves.map((curve) => placed(curve, by)) };
  return { ...mark, at: [mark.at[0] + by[0], mark.at[1] + by[1]] };
}
