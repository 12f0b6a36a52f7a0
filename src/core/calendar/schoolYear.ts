import { z } from 'zod';
import { MILLISECONDS_PER_DAY, type CalendarDay } from './calendarDay';
import { calendarDaySchema } from './calendarDaySchema';
import type { SchoolCalendar } from './schoolCalendar';

const day = calendarDaySchema();
const spanSchema = z.strictObject({ name: z.string().trim().min(1, 'nameShort').max(60, 'tooMuch'), from: day, to: day });

/** No school year is longer: a slip of the pen in a year's number shows. */
const MOST_DAYS = 400;
const inDays = (from: CalendarDay, to: CalendarDay) => (Date.parse(to) - Date.parse(from)) / MILLISECONDS_PER_DAY;

/** A school year as it is written down: its days, what is free, and the spans at whose ends reports are due. */
export const schoolYearSchema = z
  .strictObject({ firstDay: day, lastDay: day, breaks: z.array(spanSchema).max(60), periods: z.array(spanSchema).max(12) })
  .superRefine(({ firstDay, lastDay, breaks, periods }, context) => {
    const issue = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
    if (lastDay <= firstDay) issue(['lastDay'], 'endsBeforeItBegins');
    else if (inDays(firstDay, lastDay) > MOST_DAYS) issue(['lastDay'], 'yearTooLong');
    for (const [list, spans] of [
      ['breaks', breaks],
      ['periods', periods],
    ] as const) {
      const inOrder = spans.map((span, index) => ({ ...span, index })).sort((a, b) => a.from.localeCompare(b.from));
      inOrder.forEach(({ from, to, index }, place) => {
        if (to < from) issue([list, index, 'to'], 'endsBeforeItBegins');
        else if (to < firstDay || from > lastDay) issue([list, index, 'from'], 'outsideOfYear');
        else if (place > 0 && from <= inOrder[place - 1]!.to) issue([list, index, 'from'], 'overlaps');
      });
    }
  })
  .transform((year) => ({
    ...year,
    breaks: [...year.breaks].sort((a, b) => a.from.localeCompare(b.from)),
    periods: [...year.periods].sort((a, b) => a.from.localeCompare(b.from)),
  }));

/** A span of the year at whose end a report on each goal is due. */
export type ReportingPeriod = SchoolCalendar['breaks'][number];
export type SchoolYear = SchoolCalendar & { readonly periods: readonly ReportingPeriod[] };
