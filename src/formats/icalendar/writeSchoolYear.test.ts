import fc from 'fast-check';
import { addDays, calendarDay, instant, type SchoolYear } from '@/core/calendar';
import { readSchoolCalendar, writeSchoolYear } from '.';

const NOW = instant(Date.parse('2026-11-27T20:00:00Z'));
const first = calendarDay('2026-08-17');

/** Years with breaks one after the other, such as a school has them. */
const years = fc
  .array(
    fc.record({
      name: fc.constantFrom('Winter Break', 'Harvest days', 'Snow; “closed”, all day', 'Día de campo'),
      gap: fc.integer({ min: 3, max: 40 }),
      days: fc.integer({ min: 1, max: 14 }),
    }),
    { maxLength: 5 },
  )
  .map((breaks): SchoolYear => {
    let day = first;
    const spans = breaks.map(({ name, gap, days }) => {
      const from = addDays(day, gap);
      day = addDays(from, days);
      return { name, from, to: addDays(day, -1) };
    });
    return { firstDay: first, lastDay: addDays(day, 30), breaks: spans, periods: [] };
  });

it('a school year that left as iCalendar comes back with the same days', () => {
  fc.assert(
    fc.property(years, ({ firstDay, lastDay, breaks, periods }) => {
      const read = readSchoolCalendar(writeSchoolYear({ firstDay, lastDay, breaks, periods }, NOW));
      const spans = read.ok ? read.spans : [];
      const of = (guess: string) => spans.filter((span) => span.guess === guess).map(({ from, to }) => ({ from, to }));
      expect(of('firstDay')).toEqual([{ from: firstDay, to: firstDay }]);
      expect(of('lastDay')).toEqual([{ from: lastDay, to: lastDay }]);
      expect(of('break')).toEqual(breaks.map(({ from, to }) => ({ from, to })));
      expect(of('other')).toEqual([]);
    }),
    { seed: 19, numRuns: 200 },
  );
});

it('is the same file for the same year, in lines that any reader takes (RFC 5545, 3.1)', () => {
  const year: SchoolYear = {
    firstDay: first,
    lastDay: calendarDay('2027-05-28'),
    breaks: [{ name: 'Winter Break', from: calendarDay('2026-12-21'), to: calendarDay('2027-01-01') }],
    periods: [],
  };
  const text = writeSchoolYear(year, NOW);
  expect(writeSchoolYear(year, NOW)).toBe(text);
  expect(text).toContain('DTSTART;VALUE=DATE:20261221\r\n');
  expect(text).toContain('DTEND;VALUE=DATE:20270102\r\n');
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
});
