import { BASE_LANGUAGE, type Language } from '@/core/text';
import { type CalendarDay, type Instant, daysBetween } from '@/core/calendar';

function format(day: CalendarDay, options: Intl.DateTimeFormatOptions, locale = 'en-GB'): string {
  return new Intl.DateTimeFormat(locale, { ...options, timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}

/** "Mon 23" */
export const shortDay = (day: CalendarDay, locale = 'en-GB') => format(day, { weekday: 'short', day: 'numeric' }, locale).replace(',', '');
/** "23 November" */
/** How days are written to who reads a language: English ones as the desk writes them. */
export const dayLocale = (language: Language) => (language === BASE_LANGUAGE ? 'en-GB' : language);

export const longDay = (day: CalendarDay, locale = 'en-GB') => format(day, { day: 'numeric', month: 'long' }, locale);
/** "Monday" */
export const weekdayName = (day: CalendarDay, locale = 'en-GB') => format(day, { weekday: 'long' }, locale);
/** "Mon 23 Nov" */
export const dayAndMonth = (day: CalendarDay) => format(day, { weekday: 'short', day: 'numeric', month: 'short' }).replace(',', '');

/** "10 – 23 November", "28 Oct – 10 Nov" */
export function spanOfDays(from: CalendarDay, to: CalendarDay): string {
  if (from.slice(0, 7) === to.slice(0, 7)) return `${Number(from.slice(8))} – ${longDay(to)}`;
  const short = (day: CalendarDay) => format(day, { day: 'numeric', month: 'short' });
  return `${short(from)} – ${short(to)}`;
}

/** "today", "yesterday", "3 days" */
export function sinceDays(days: number | null): string {
  if (days === null) return 'never';
  if (days <= 0) return 'today';
  return days === 1 ? 'yesterday' : `${days} days`;
}

export function sinceDay(day: CalendarDay, today: CalendarDay): string {
  return sinceDays(daysBetween(day, today));
}

/** "23 Nov, 16:05" in a time zone. */
export function momentIn(moment: Instant, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(
    new Date(moment),
  );
}

/** "15:20" */
export function timeIn(moment: Instant, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(new Date(moment));
}

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
