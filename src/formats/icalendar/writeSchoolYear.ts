import ical from 'ical-generator';
import { addDays, type CalendarDay, type Instant, type SchoolYear } from '@/core/calendar';

/** As our own reader understands them again. */
const FIRST = 'First day of school';
const LAST = 'Last day of school';

/**
 * A school year as an iCalendar file (RFC 5545): first and last day, and each break, as whole days. `readSchoolCalendar` reads it back.
 * @param now when it was written
 */
export function writeSchoolYear({ firstDay, lastDay, breaks }: SchoolYear, now: Instant): string {
  const calendar = ical({ prodId: { company: 'Yard Steps', product: 'school-year', language: 'EN' }, name: 'School year' });
  const whole = (id: string, summary: string, from: CalendarDay, to: CalendarDay) =>
    calendar.createEvent({
      id: `${id}-${from}`,
      stamp: new Date(now),
      // Whole days have no zone, and end on the day after (RFC 5545, 3.6.1).
      start: new Date(`${from}T00:00:00Z`),
      end: new Date(`${addDays(to, 1)}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      summary,
    });
  whole('first', FIRST, firstDay, firstDay);
  for (const { name, from, to } of breaks) whole('break', isUnderstood(name) ? name : `${name} (no school)`, from, to);
  whole('last', LAST, lastDay, lastDay);
  return calendar.toString();
}

const isUnderstood = (name: string) => /\b(no school|closed|holiday|break|recess|vacation)\b/i.test(name);
