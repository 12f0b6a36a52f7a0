import ical from 'ical-generator';
import type { CalendarDay, Instant } from '@/core/calendar';

export interface PracticeDay {
  readonly day: CalendarDay;
  readonly begins: Instant;
  readonly minutes: number;
}

export interface PracticeCalendar {
  /** Key of the feed, unique for the family: with the day it makes each entry's own key, so that a newer feed replaces the older. */
  readonly key: string;
  readonly days: readonly PracticeDay[];
  /** Text of an entry: nothing about the student. */
  readonly summary: (day: PracticeDay) => string;
  readonly address: string;
  readonly now: Instant;
}

/** The days of a program as an iCalendar feed (RFC 5545). Times are told in UTC, so that every reader shows them by its own wall clock, on either side of a change of clocks. */
export function writePracticeDays({ key, days, summary, address, now }: PracticeCalendar): string {
  const calendar = ical({ prodId: { company: 'Yard Steps', product: 'practice', language: 'EN' }, name: 'Yard Steps', ttl: 6 * 3600 });
  for (const each of days) {
    calendar.createEvent({
      id: `${key}-${each.day}`,
      stamp: new Date(now),
      start: new Date(each.begins),
      end: new Date(each.begins + each.minutes * 60_000),
      summary: summary(each),
      url: address,
    });
  }
  return calendar.toString();
}
