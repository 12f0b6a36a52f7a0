import { calendarDay, MILLISECONDS_PER_DAY, type CalendarDay } from './calendarDay';

export const MILLISECONDS_PER_MINUTE = 60_000;
export const MILLISECONDS_PER_HOUR = 3_600_000;

/** A moment, in milliseconds since 1970-01-01T00:00Z. It has no day of its own until a time zone is named. */
export type Instant = number & { readonly __instant: true };

/** @throws RangeError where the number is not a moment that can be written down. */
export function instant(milliseconds: number): Instant {
  if (!Number.isFinite(milliseconds) || Math.abs(milliseconds) > 8.64e15) {
    throw new RangeError(`Not a moment: ${milliseconds}`);
  }
  return Math.trunc(milliseconds) as Instant;
}

/** The moment so many whole days of 24 hours later. @throws RangeError for a count that is none. */
export function instantAfterDays(moment: Instant, days: number): Instant {
  return instant(moment + days * MILLISECONDS_PER_DAY);
}

const formats = new Map<string, Intl.DateTimeFormat>();

/** True where the name is a time zone that this program can reckon with, such as `America/Denver`. */
export function isTimeZone(zone: string): boolean {
  if (typeof zone !== 'string' || zone === '') return false;
  try {
    return Boolean(formatFor(zone));
  } catch {
    return false;
  }
}

/**
 * The calendar day that it is in a time zone at a moment.
 * @throws RangeError for an unknown zone.
 * @example calendarDayInZone(instant(Date.UTC(2026, 10, 24, 3)), 'America/Denver') // '2026-11-23'
 */
export function calendarDayInZone(moment: Instant, zone: string): CalendarDay {
  return calendarDay(formatFor(zone).format(new Date(moment)));
}

function formatFor(zone: string): Intl.DateTimeFormat {
  let format = formats.get(zone);
  if (!format) {
    // en-CA writes YYYY-MM-DD
    format = new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
    formats.set(zone, format);
  }
  return format;
}
