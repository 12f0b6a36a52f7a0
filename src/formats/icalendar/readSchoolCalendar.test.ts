import ical from 'ical-generator';
import { readSchoolCalendar } from '.';

/** Written by another package than the one that reads. */
function calendarFile(): string {
  const calendar = ical({ name: 'Tarrow Hill schools' });
  const allDay = (summary: string, start: string, end: string | null, repeats?: object) =>
    calendar.createEvent({
      summary,
      start: new Date(start),
      ...(end && { end: new Date(end) }),
      allDay: true,
      timezone: 'UTC',
      ...repeats,
    });
  allDay('First Day of School', '2026-08-17', '2026-08-18');
  allDay('Winter Break - no school', '2026-12-21', '2027-01-04');
  allDay('Spirit week', '2026-10-05', '2026-10-10');
  allDay('Teacher work day', '2026-10-12', '2026-10-13', { repeating: { freq: 'MONTHLY', count: 3 } });
  calendar.createEvent({ summary: 'Early dismissal', start: new Date('2026-11-20T18:00:00Z'), end: new Date('2026-11-20T20:00:00Z') });
  return calendar.toString();
}

describe('a school’s calendar file', () => {
  it('gives its whole days, each with what it sounds like; the end is the day before the one that the file names', () => {
    const read = readSchoolCalendar(calendarFile());
    expect(read.ok && read.spans.map(({ name, from, to, guess }) => `${from} ${to} ${guess} ${name}`)).toEqual([
      '2026-08-17 2026-08-17 firstDay First Day of School',
      '2026-10-05 2026-10-09 other Spirit week',
      '2026-10-12 2026-10-12 break Teacher work day',
      '2026-11-12 2026-11-12 break Teacher work day',
      '2026-12-12 2026-12-12 break Teacher work day',
      '2026-12-21 2027-01-03 break Winter Break - no school',
    ]);
  });

  it('is refused where it is none, is too large, or has hours alone', () => {
    const code = (text: string) => {
      const read = readSchoolCalendar(text);
      return read.ok ? 'ok' : read.fault.code;
    };
    const hours = 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:x\r\nDTSTART:20261120T180000Z\r\nEND:VEVENT\r\nEND:VCALENDAR';
    expect([code('Name,DOB'), code(''), code(hours), code('x'.repeat(2_000_001))]).toEqual([
      'noCalendar',
      'noCalendar',
      'noWholeDays',
      'tooLarge',
    ]);
  });
});
