import { requireWhole } from '../whole';

/** A day of the proleptic Gregorian calendar as `YYYY-MM-DD`; text order is time order. Never a `Date`. */
export type CalendarDay = string & { readonly __calendarDay: true };

/** ISO weekday: 1 is Monday, 7 is Sunday. */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

export const MILLISECONDS_PER_DAY = 86_400_000;
/** More days than lie between any two that can be written. */
const MOST_DAYS = 110_000;
const FORM = /^(\d{4})-(\d{2})-(\d{2})$/;

/**
 * Reads a calendar day, or gives null where the text is not an existing day between years 1900 and 2199.
 * @example parseCalendarDay('2026-02-30') // null
 */
export function parseCalendarDay(text: unknown): CalendarDay | null {
  if (typeof text !== 'string') return null;
  const parts = FORM.exec(text);
  if (!parts) return null;
  const year = Number(parts[1]);
  if (year < 1900 || year > 2199) return null;
  const milliseconds = Date.UTC(year, Number(parts[2]) - 1, Number(parts[3]));
  return fromUtc(milliseconds) === text ? (text as CalendarDay) : null;
}

/**
 * The same for days that the program itself writes.
 * @throws RangeError where the text is no day: a programmer's error.
 */
export function calendarDay(text: string): CalendarDay {
  const day = parseCalendarDay(text);
  if (!day) throw new RangeError(`Not a calendar day: ${text}`);
  return day;
}

/**
 * The day `count` days later (earlier when negative).
 * @param count whole
 * @throws RangeError for a day or a count that is none, and where the answer lies outside the years 1900 to 2199.
 * @example addDays(calendarDay('2026-02-28'), 1) // '2026-03-01'
 */
export function addDays(day: CalendarDay, count: number): CalendarDay {
  requireWhole('count', count, -MOST_DAYS, MOST_DAYS);
  return calendarDay(fromUtc(toUtc(day) + count * MILLISECONDS_PER_DAY));
}

/** Days from `from` to `to`; negative when `to` is earlier. @throws RangeError for a day that is none. */
export function daysBetween(from: CalendarDay, to: CalendarDay): number {
  return Math.round((toUtc(to) - toUtc(from)) / MILLISECONDS_PER_DAY);
}

/** @throws RangeError for a day that is none. @example weekdayOf(calendarDay('2026-11-24')) // 2, a Tuesday */
export function weekdayOf(day: CalendarDay): Weekday {
  return (((new Date(toUtc(day)).getUTCDay() + 6) % 7) + 1) as Weekday;
}

/** The Monday on or before the day. */
export function mondayOf(day: CalendarDay): CalendarDay {
  return addDays(day, 1 - weekdayOf(day));
}

/** All days from `from` to `to`, both included; empty when `to` is earlier. */
export function daysFromTo(from: CalendarDay, to: CalendarDay): CalendarDay[] {
  const count = daysBetween(from, to) + 1;
  return Array.from({ length: Math.max(0, count) }, (_, index) => addDays(from, index));
}

/** Days that were read once need no second look. Bounded: three centuries hold more days than any run meets. */
const KNOWN = new Map<CalendarDay, number>();
const MOST_KNOWN = 20_000;

function toUtc(day: CalendarDay): number {
  const known = KNOWN.get(day);
  if (known !== undefined) return known;
  if (!parseCalendarDay(day)) throw new RangeError(`Not a calendar day: ${day}`);
  const milliseconds = Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)) - 1, Number(day.slice(8, 10)));
  if (KNOWN.size >= MOST_KNOWN) KNOWN.clear();
  KNOWN.set(day, milliseconds);
  return milliseconds;
}

function fromUtc(milliseconds: number): CalendarDay {
  return new Date(milliseconds).toISOString().slice(0, 10) as CalendarDay;
}
