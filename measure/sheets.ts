import type { SheetSpec } from '@/core/tasks';
import { difficultyOf, drawSheet, harderBy } from '@/core/worksheets';
import { sheetPdf } from '@/formats';
import { loadLibrary } from '../library/loadLibrary';
import { median } from './timing';

export interface SheetFigures {
  /** A sheet drawn anew with its difficulty, milliseconds: the median of the library's sheets, and the slowest of them. */
  readonly redrawn: number;
  readonly slowest: number;
  /** “10 % harder” solved for, milliseconds: the median and the slowest. */
  readonly solved: number;
  readonly slowestSolved: number;
  /** The sheets of a week of sixty children as one PDF, milliseconds, and how many sheets that is. */
  readonly week: number;
  readonly sheets: number;
}

const CHILDREN = 60;
/** Most tasks with a worksheet in a program of the demo. */
const SHEETS_A_CHILD = 4;
const RUNS = 3;
const WORDS = { name: 'Name', title: 'A task · step 1', how: 'Cut along the road. Stop at the bricks.', check: '50 mm' };

const optionsOf = (spec: SheetSpec) => ({
  spec,
  paper: 'letter' as const,
  audience: { isLeft: false, name: 'Odalys', language: 'en' as const, isLarge: false },
  words: WORDS,
});

/** Sheets as a handle moves, and as a caseload prints them. */
export async function measureSheets(): Promise<SheetFigures> {
  const specs = loadLibrary().flatMap(({ ladder }) => ladder.steps.flatMap(({ sheet }) => (sheet ? [sheet] : [])));
  const times = specs.map((spec) => {
    const runs = Array.from({ length: RUNS }, () => {
      const begun = performance.now();
      drawSheet(optionsOf(spec));
      difficultyOf(spec);
      return performance.now() - begun;
    });
    return median(runs);
  });
  const solving = specs.map((spec) => {
    const begun = performance.now();
    harderBy(spec, 0.1);
    return performance.now() - begun;
  });
  const week = Array.from({ length: CHILDREN * SHEETS_A_CHILD }, (_, index) => specs[(index * 37) % specs.length]!);
  const whole: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const begun = performance.now();
    const sheets = week.flatMap((spec) => {
      const drawn = drawSheet(optionsOf(spec));
      return drawn.ok ? [{ language: 'en', scenes: drawn.value }] : [];
    });
    await sheetPdf(sheets, { size: 'letter', title: 'Sheets of the week' });
    whole.push(performance.now() - begun);
  }
  return {
    redrawn: median(times),
    slowest: Math.max(...times),
    solved: median(solving),
    slowestSolved: Math.max(...solving),
    week: median(whole),
    sheets: week.length,
  };
}
