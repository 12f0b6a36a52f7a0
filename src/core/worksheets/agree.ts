import { difficultyOf } from './difficultyOf';
import type { TaskContent } from '../tasks';

export type SheetDisagreement =
  | { readonly code: 'pathLength' | 'pathWidth'; readonly step: number; readonly byKnobs: number; readonly bySheet: number }
  /** A harder step has an easier sheet of the same kind. */
  | { readonly code: 'easierSheet'; readonly step: number; readonly before: number; readonly now: number };

/** A drawn length may be so much off what the knob says. */
const NEAR = 0.05;

/**
 * Lists disagreements between a step's knobs and its worksheet: the length and width of a path, and a worksheet that is easier than
 * that of the step below. Empty where they agree.
 */
export function sheetDisagreements({ knobs, ladder }: Pick<TaskContent, 'knobs' | 'ladder'>): SheetDisagreement[] {
  return ladder.steps.flatMap(({ sheet, grade }, index): SheetDisagreement[] => {
    if (!sheet || (sheet.kind !== 'road' && sheet.kind !== 'halfShape')) return [];
    const measure = (name: 'pathLengthMm' | 'pathWidthMm') =>
      knobs.map(({ knob, levels }) => levels[grade[knob] ?? 0]?.measures?.[name]).find((value) => value !== undefined);
    const { lengthMm, roadWidths, turnMm } = difficultyOf(sheet);
    const [long, wide] = [measure('pathLengthMm'), measure('pathWidthMm')];
    const found: SheetDisagreement[] = [];
    if (long !== undefined && lengthMm !== null && Math.abs(lengthMm / long - 1) > NEAR)
      found.push({ code: 'pathLength', step: index + 1, byKnobs: long, bySheet: lengthMm });
    if (wide !== undefined && sheet.widthMm !== wide)
      found.push({ code: 'pathWidth', step: index + 1, byKnobs: wide, bySheet: sheet.widthMm });
    const before = ladder.steps[index - 1]?.sheet;
    if (before && before.kind === sheet.kind && roadWidths !== null) {
      const below = difficultyOf(before);
      // A tighter turn is harder though the way round it is shorter: the steering law knows no turns.
      const isTighter = (turnMm ?? Infinity) < (below.turnMm ?? Infinity);
      if (!isTighter && below.roadWidths !== null && roadWidths < below.roadWidths * (1 - NEAR))
        found.push({ code: 'easierSheet', step: index + 1, before: below.roadWidths, now: roadWidths });
    }
    return found;
  });
}
