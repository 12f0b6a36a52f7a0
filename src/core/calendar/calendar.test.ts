import fc from 'fast-check';
import { DateTime } from 'luxon';
import { Temporal } from 'temporal-polyfill';
import {
  addDays,
  ageOn,
  calendarDay,
  calendarDayInZone,
  daysBetween,
  daysFromTo,
  instant,
  isSchoolDay,
  isTimeZone,
  mondayOf,
  nextSchoolDay,
  parseCalendarDay,
  schoolDaysFromTo,
  weekdayOf,
  type SchoolCalendar,
} from '.';

const day = calendarDay;
const someDay = fc.integer({ min: 0, max: 36_000 }).map((count) => addDays(day('1950-01-01'), count));
const seeded = { seed: 20261124, numRuns: 300 };

describe('calendar days', () => {
  it.each(['2026-02-29', '2026-13-01', '2026-1-1', '1899-12-31', 'today', '', null, 20260101])('refuses %p', (text) => {
    expect(parseCalendarDay(text)).toBeNull();
  });

  it('agrees with Temporal on addition, difference and weekday', () => {
    fc.assert(
      fc.property(someDay, fc.integer({ min: -800, max: 800 }), (start, count) => {
        const theirs = Temporal.PlainDate.from(start).add({ days: count });
        expect(addDays(start, count)).toBe(theirs.toString());
        expect(daysBetween(start, addDays(start, count))).toBe(count);
        expect(weekdayOf(start)).toBe(Temporal.PlainDate.from(start).dayOfWeek);
      }),
      seeded,
    );
  });

  it('counts both ends of a span, and none of one that is turned round', () => {
    expect(daysFromTo(day('2026-02-27'), day('2026-03-02'))).toEqual(['2026-02-27', '2026-02-28', '2026-03-01', '2026-03-02']);
    expect(daysFromTo(day('2026-03-02'), day('2026-03-01'))).toEqual([]);
    expect(mondayOf(day('2026-11-24'))).toBe('2026-11-23');
  });

  it('throws where the program itself writes a day that is none', () => {
    expect(() => day('2026-02-30')).toThrow(RangeError);
  });
});

describe('the day in a time zone', () => {
  it('agrees with Luxon round the clock changes of New York in 2026', () => {
    for (const hour of [0, 4, 5, 6, 7, 23]) {
      for (const date of ['2026-03-08', '2026-11-01', '2026-11-02']) {
        const moment = Date.parse(`${date}T${String(hour).padStart(2, '0')}:30:00Z`);
        expect(calendarDayInZone(instant(moment), 'America/New_York')).toBe(
          DateTime.fromMillis(moment, { zone: 'America/New_York' }).toISODate(),
        );
      }
    }
  });

  it('knows zones, and refuses made-up ones', () => {
    expect(isTimeZone('America/Denver')).toBe(true);
    expect(isTimeZone('Tarrow/Hill')).toBe(false);
    expect(() => instant(Number.NaN)).toThrow(RangeError);
  });
});

describe('age', () => {
  it.each([
    // The first agrees everywhere; month ends follow our stated rule (which is Temporal's).
    ['2018-08-15', '2026-03-03', 7, 6],
    ['2019-01-31', '2026-02-28', 7, 0],
    ['2020-02-29', '2026-02-28', 5, 11],
    ['2020-02-29', '2026-03-01', 6, 0],
  ])('born %s is on %s %d y %d m old', (birth, on, years, months) => {
    expect(ageOn(day(birth), day(on))).toEqual({ years, months });
  });

  it('agrees with Luxon wherever the month has the day of birth', () => {
    fc.assert(
      fc.property(someDay, fc.integer({ min: 0, max: 4000 }), (birth, count) => {
        fc.pre(Number(birth.slice(8)) <= 28);
        const on = addDays(birth, count);
        const theirs = DateTime.fromISO(on).diff(DateTime.fromISO(birth), ['years', 'months', 'days']);
        expect(ageOn(birth, on)).toEqual({ years: theirs.years, months: theirs.months });
      }),
      seeded,
    );
  });

  it('refuses a day before birth', () => {
    expect(() => ageOn(day('2020-01-02'), day('2020-01-01'))).toThrow(RangeError);
  });
});

describe('school days', () => {
  const calendar: SchoolCalendar = {
    firstDay: day('2026-08-17'),
    lastDay: day('2027-06-11'),
    breaks: [{ name: 'Late November break', from: day('2026-11-25'), to: day('2026-11-27') }],
  };

  it('leaves out weekends, breaks and what lies outside the year', () => {
    expect(isSchoolDay(calendar, day('2026-11-24'))).toBe(true);
    expect(isSchoolDay(calendar, day('2026-11-25'))).toBe(false);
    expect(isSchoolDay(calendar, day('2026-11-28'))).toBe(false);
    expect(isSchoolDay(calendar, day('2026-08-14'))).toBe(false);
    expect(schoolDaysFromTo(calendar, day('2026-11-23'), day('2026-12-01'))).toEqual([
      '2026-11-23',
      '2026-11-24',
      '2026-11-30',
      '2026-12-01',
    ]);
    expect(nextSchoolDay(calendar, day('2026-11-24'))).toBe('2026-11-30');
    expect(nextSchoolDay(calendar, day('2027-06-11'))).toBeNull();
  });
});
