import { z } from 'zod';
import { parseCalendarDay, type CalendarDay } from './calendarDay';

/** A calendar day in what comes in. Issue: the given code; `notACalendarDay` where none is given. */
export const calendarDaySchema = (message = 'notACalendarDay') =>
  z.string().transform((text, context): CalendarDay => {
    const day = parseCalendarDay(text);
    if (!day) context.addIssue({ code: 'custom', message });
    return day ?? z.NEVER;
  });
