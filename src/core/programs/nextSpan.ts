import { addDays, nextSchoolDay, type CalendarDay, type SchoolCalendar } from '../calendar';

/** How long a program is planned for where nothing else is said. Common practice, no source. */
const PROGRAM_DAYS = 14;

/**
 * From when till when the next program runs: from the next school day, on which a bag can go home, till the day before the first school day two weeks later, so
 * that over a break it runs on till the next bag can be handed over. Without a school calendar: from today, two weeks. Common practice, no source.
 * @example on Monday, November 23, with a break from the 25th to the 27th: from the 24th until December 7, the day before the next bag
 */
export function nextSpan(
  today: CalendarDay,
  calendar: SchoolCalendar | null,
): { readonly startsOn: CalendarDay; readonly endsOn: CalendarDay } {
  const startsOn = (calendar && nextSchoolDay(calendar, today)) ?? today;
  const over = addDays(startsOn, PROGRAM_DAYS);
  const nextBag = (calendar && nextSchoolDay(calendar, addDays(over, -1))) ?? over;
  return { startsOn, endsOn: addDays(nextBag, -1) };
}
