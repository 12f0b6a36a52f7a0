import { daysFromTo, weekdayOf, type CalendarDay } from '../calendar';
import { doseAt } from '../dose';
import type { ProgramTask } from '../programs';
import type { LocalText } from '../text';
import type { KitLine } from './kitOf';

/** Seconds to cut, dot, tear or number one piece. Rough figure of our own, no source. */
const SECONDS_A_PIECE = 10;

/** Pieces to cut or prepare before a bag is packed. */
export interface Prepared {
  readonly thing: string;
  readonly name: LocalText;
  readonly count: number;
  readonly minutes: number;
}

/** Lists the work by hand for a bag: the consumed pieces, with the minutes that they take. */
export function preparedFor(lines: readonly KitLine[]): Prepared[] {
  return lines
    .filter(({ standing, kind }) => standing === 'pack' && kind === 'usedUp')
    .map(({ thing, name, count }) => ({ thing, name, count, minutes: Math.ceil((count * SECONDS_A_PIECE) / 60) }));
}

/** Minutes in which the helper at home sets up and tidies up, day by day; days without are left out. */
export function setUpByDay(
  tasks: readonly Pick<ProgramTask, 'weekdays' | 'dose' | 'step'>[],
  from: CalendarDay,
  to: CalendarDay,
): { readonly day: CalendarDay; readonly minutes: number }[] {
  return daysFromTo(from, to).flatMap((day) => {
    const minutes = tasks
      .filter(({ weekdays }) => weekdays.includes(weekdayOf(day)))
      .reduce((sum, { dose, step }) => sum + doseAt(dose, step).setUpMinutes + doseAt(dose, step).tidyUpMinutes, 0);
    return minutes > 0 ? [{ day, minutes: Math.round(minutes * 10) / 10 }] : [];
  });
}
