import fc from 'fast-check';
import { addDays, calendarDay, daysFromTo, weekdayOf, type CalendarDay } from '../calendar';
import { askedOn, isActiveIn, isActiveOn, type VersionDays } from '.';

const FIRST = calendarDay('2026-10-01');
const version = (change: Partial<VersionDays> = {}) => ({
  startsOn: FIRST,
  endsOn: addDays(FIRST, 27),
  isEnded: false,
  resumesOn: null,
  tasks: [
    { taskId: 1, weekdays: [1, 3, 5] },
    { taskId: 2, weekdays: [1, 2, 3, 4, 5, 6, 7] },
  ],
  ...change,
});
const idsOn = (day: string, change: Partial<VersionDays> = {}, onHold?: ReadonlySet<number>) =>
  askedOn(version(change), calendarDay(day), onHold).map(({ taskId }) => taskId);

describe('what a version asks on a day', () => {
  it.each([
    ['a Friday', '2026-10-02', {}, [1, 2]],
    ['a Saturday', '2026-10-03', {}, [2]],
    ['the day before the start', '2026-09-30', {}, []],
    ['the first day', '2026-10-01', {}, [2]],
    ['the last day', '2026-10-28', {}, [1, 2]],
    ['the day after the last', '2026-10-29', {}, []],
    ['a day of a pause', '2026-10-09', { resumesOn: calendarDay('2026-10-10') }, []],
    ['the day a pause ends', '2026-10-09', { resumesOn: calendarDay('2026-10-09') }, [1, 2]],
    ['a program that a person ended', '2026-10-09', { isEnded: true }, []],
  ])('%s', (_, day, change, ids) => expect(idsOn(day, change)).toEqual(ids));

  it('leaves out what is on hold', () => expect(idsOn('2026-10-02', {}, new Set([2]))).toEqual([1]));

  it('asks nothing without a program', () => {
    expect(askedOn(null, FIRST)).toEqual([]);
    expect([isActiveOn(null, FIRST), isActiveIn(undefined, FIRST, FIRST)]).toEqual([false, false]);
  });
});

/**
 * The rules as screens, calendar, paper, bags and lists each had them before they were one. Where they differed, this was
 * decided: paper and lists ask nothing on the days of a pause or after a person ended the program, as the family's page always
 * did. A text that arrives after the last day or during a pause is still read, since it reports what was done.
 */
const EARLIER = {
  calendar: (at: VersionDays, day: CalendarDay) =>
    at.startsOn <= day && day <= at.endsOn && !at.isEnded && !(at.resumesOn !== null && at.resumesOn > day),
  reminder: (at: VersionDays, day: CalendarDay) =>
    !(at.startsOn > day || at.endsOn < day || at.isEnded || (at.resumesOn !== null && at.resumesOn > day)),
  paper: (at: VersionDays, day: CalendarDay) => day >= at.startsOn && day <= at.endsOn,
};

describe('the same rule everywhere', () => {
  const near = fc.integer({ min: 0, max: 40 }).map((days) => addDays(FIRST, days));
  const versions = fc.record({ startsOn: near, endsOn: near, isEnded: fc.boolean(), resumesOn: fc.option(near) });

  it('is that of the calendar and the reminder, and that of paper outside of pauses', () => {
    fc.assert(
      fc.property(versions, near, (at, day) => {
        const isActive = isActiveOn(at, day);
        expect(isActive).toBe(EARLIER.calendar(at, day));
        expect(isActive).toBe(EARLIER.reminder(at, day));
        if (!at.isEnded && at.resumesOn === null) expect(isActive).toBe(EARLIER.paper(at, day));
        const asked = askedOn({ ...at, tasks: [{ taskId: 1, weekdays: [weekdayOf(day)] }] }, day);
        expect(asked.length > 0).toBe(isActive);
      }),
      { seed: 34, numRuns: 500 },
    );
  });

  it('holds in a span where it holds on one of its days', () => {
    fc.assert(
      fc.property(versions, near, fc.integer({ min: 0, max: 10 }), (at, from, length) => {
        const to = addDays(from, length);
        expect(isActiveIn(at, from, to)).toBe(daysFromTo(from, to).some((day) => isActiveOn(at, day)));
      }),
      { seed: 35, numRuns: 500 },
    );
  });
});
