import { BASE_LANGUAGE, type Language } from '@/core/text';
import { addDays, calendarDay, type CalendarDay, type Instant } from '@/core/calendar';

/** The homes and the school of this product are in the United States. */
const DESK_LOCALE = 'en-US';
/** Seven of them stand in a row on a phone. */
const MOST_BRIEF = 4;

const FORMATS = new Map<string, Intl.DateTimeFormat>();

/** To make one takes a hundred times as long as to use it, and a page names dozens of days. */
function formatOf(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${locale} ${JSON.stringify(options)}`;
  let known = FORMATS.get(key);
  if (!known) FORMATS.set(key, (known = new Intl.DateTimeFormat(locale, options)));
  return known;
}

function format(day: CalendarDay, options: Intl.DateTimeFormatOptions, locale = DESK_LOCALE): string {
  return formatOf(locale, { ...options, timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}

/** "Mon 23" */
export const shortDay = (day: CalendarDay, locale = DESK_LOCALE) => `${format(day, { weekday: 'short' }, locale)} ${Number(day.slice(8))}`;
/** How days are written to who reads a language: English ones as the desk writes them. */
export const dayLocale = (language: Language) => (language === BASE_LANGUAGE ? DESK_LOCALE : `${language}-US`);

/** "November 23" */
export const longDay = (day: CalendarDay, locale = DESK_LOCALE) => format(day, { day: 'numeric', month: 'long' }, locale);
/** "Monday" */
export const weekdayName = (day: CalendarDay, locale = DESK_LOCALE) => format(day, { weekday: 'long' }, locale);
/** "Mon", or "ج" where a short name is long. */
export function briefWeekday(day: CalendarDay, locale = DESK_LOCALE): string {
  const short = format(day, { weekday: 'short' }, locale);
  return [...short].length <= MOST_BRIEF ? short : format(day, { weekday: 'narrow' }, locale);
}
/** "Mon, Nov 23" */
export const dayAndMonth = (day: CalendarDay) => format(day, { weekday: 'short', day: 'numeric', month: 'short' });

/** "November 10 – 23", "Oct 28 – Nov 10" */
export function spanOfDays(from: CalendarDay, to: CalendarDay): string {
  if (from.slice(0, 7) === to.slice(0, 7)) return `${longDay(from)} – ${Number(to.slice(8))}`;
  const short = (day: CalendarDay) => format(day, { day: 'numeric', month: 'short' });
  return `${short(from)} – ${short(to)}`;
}

/** "today", "yesterday", "3 days" */
export function sinceDays(days: number | null): string {
  if (days === null) return 'never';
  if (days <= 0) return 'today';
  return days === 1 ? 'yesterday' : `${days} days`;
}

/** "Nov 23, 4:05 PM" in a time zone. */
export function momentIn(moment: Instant, timeZone: string): string {
  return clock(moment, { timeZone, day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit' });
}

/** "3:20 PM" */
export function timeIn(moment: Instant, timeZone: string): string {
  return clock(moment, { timeZone, hour: 'numeric', minute: '2-digit' });
}

/** A wall time such as `20:00` as a family's language writes it: "8:00 PM". */
export function wallTime(time: string, locale = DESK_LOCALE): string {
  return formatOf(locale, { timeZone: 'UTC', hour: 'numeric', minute: '2-digit' })
    .format(new Date(`2026-11-23T${time}:00Z`))
    .replaceAll('\u202f', ' ');
}

/** Browsers and servers put different kinds of space before PM: one kind for both, so that a page is the same on either. */
function clock(moment: Instant, options: Intl.DateTimeFormatOptions): string {
  return formatOf(DESK_LOCALE, options).format(new Date(moment)).replaceAll('\u202f', ' ');
}

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

const A_MONDAY = calendarDay('2026-11-23');

/** Weekdays as they are said in a sentence: "Tuesday and Friday". @param days ISO weekdays */
export function weekdaysInWords(days: readonly number[], locale = DESK_LOCALE): string {
  return new Intl.ListFormat(locale, { type: 'conjunction' }).format(days.map((day) => weekdayName(addDays(A_MONDAY, day - 1), locale)));
}
