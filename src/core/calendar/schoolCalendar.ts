import { addDays, daysFromTo, weekdayOf, type CalendarDay } from './calendarDay';

export interface SchoolBreak {
  readonly name: string;
  readonly from: CalendarDay;
  /** included */
  readonly to: CalendarDay;
}

/** A school year: Mondays to Fridays from first to last day, less the breaks. */
export interface SchoolCalendar {
  readonly firstDay: CalendarDay;
  readonly lastDay: CalendarDay;
  readonly breaks: readonly SchoolBreak[];
}

export function isSchoolDay(calendar: SchoolCalendar, day: CalendarDay): boolean {
  return day >= calendar.firstDay && day <= calendar.lastDay && weekdayOf(day) <= 5 && !breakOn(calendar, day);
}

/** The break that a day lies in, or null. */
export function breakOn(calendar: SchoolCalendar, day: CalendarDay): SchoolBreak | null {
  return calendar.breaks.find((pause) => day >= pause.from && day <= pause.to) ?? null;
}

/** School days from `from` to `to`, both included. */
export function schoolDaysFromTo(calendar: SchoolCalendar, from: CalendarDay, to: CalendarDay): CalendarDay[] {
  const start = from < calendar.firstDay ? calendar.firstDay : from;
  const end = to > calendar.lastDay ? calendar.lastDay : to;
  return daysFromTo(start, end).filter((day) => isSchoolDay(calendar, day));
}

/** The first school day after `day`, or null when the year is over. */
export function nextSchoolDay(calendar: SchoolCalendar, day: CalendarDay): CalendarDay | null {
  return schoolDaysFromTo(calendar, addDays(day, 1), calendar.lastDay)[0] ?? null;
}
