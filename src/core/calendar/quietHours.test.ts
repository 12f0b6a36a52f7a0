import fc from 'fast-check';
import { DateTime } from 'luxon';
import { draws } from '../../../tests/fixtures/deep';
import { afterQuiet, instant, isQuiet, nextWallTime } from '.';

const ZONE = 'America/New_York';
const NIGHT = { from: '20:00', to: '07:00' };
const at = (wall: string) => instant(DateTime.fromISO(wall, { zone: ZONE }).toMillis());
const wall = (moment: number) => DateTime.fromMillis(moment, { zone: ZONE }).toFormat("yyyy-MM-dd'T'HH:mm");

describe('quiet hours', () => {
  it.each([
    ['2026-11-25T19:59', '2026-11-25T19:59'],
    ['2026-11-25T20:00', '2026-11-26T07:00'],
    ['2026-11-26T06:59', '2026-11-26T07:00'],
    ['2026-11-26T07:00', '2026-11-26T07:00'],
    // The nights in which New York changes its clocks (luxon, an independent reading of the zone's rules).
    ['2026-10-31T23:30', '2026-11-01T07:00'],
    ['2027-03-13T23:30', '2027-03-14T07:00'],
  ])('what is due at %s goes out at %s', (due, goes) => {
    expect(wall(afterQuiet(at(due), ZONE, NIGHT))).toBe(goes);
  });

  it('that end in the hour that is left out end with it', () => {
    expect(wall(afterQuiet(at('2027-03-14T01:30'), ZONE, { from: '01:00', to: '02:30' }))).toBe('2027-03-14T03:00');
  });

  it('of a day lie within it; without any nothing waits', () => {
    expect(isQuiet('12:30', { from: '12:00', to: '13:00' })).toBe(true);
    expect(isQuiet('13:00', { from: '12:00', to: '13:00' })).toBe(false);
    expect(wall(afterQuiet(at('2026-11-25T22:00'), ZONE, null))).toBe('2026-11-25T22:00');
    expect(wall(afterQuiet(at('2026-11-25T22:00'), ZONE, { from: '08:00', to: '08:00' }))).toBe('2026-11-25T22:00');
  });
});

describe('the next time on the wall', () => {
  it.each([
    ['2026-11-25T12:00', '18:00', [3], '2026-11-25T18:00'],
    ['2026-11-25T18:00', '18:00', [3], '2026-11-25T18:00'],
    ['2026-11-25T18:01', '18:00', [3], '2026-12-02T18:00'],
    ['2026-11-25T18:01', '18:00', [1, 5], '2026-11-27T18:00'],
    ['2027-03-13T12:00', '02:30', [7], '2027-03-14T03:00'],
  ])('from %s at %s on %j is %s', (from, time, weekdays, next) => {
    expect(wall(nextWallTime(at(from), ZONE, time, weekdays))).toBe(next);
  });

  it('comes once in the hour that is repeated when clocks are set back', () => {
    // In New York 01:30 of November 1, 2026 is shown at 05:30 and at 06:30 UTC.
    const first = instant(Date.UTC(2026, 10, 1, 5, 30));
    expect(nextWallTime(instant(first - 60_000), ZONE, '01:30', [7])).toBe(first);
    expect(wall(nextWallTime(instant(first + 60_000), ZONE, '01:30', [7]))).toBe('2026-11-08T01:30');
  });

  it('without a weekday there is none', () => {
    expect(() => nextWallTime(at('2026-11-25T12:00'), ZONE, '18:00', [])).toThrow(RangeError);
  });
});

describe('minute by minute', () => {
  // Lord Howe changes its clocks by half an hour; Casablanca goes back and forth around Ramadan.
  const zones = ['America/Denver', 'America/St_Johns', 'Australia/Lord_Howe', 'Africa/Casablanca', 'Asia/Kathmandu'];
  const around = ['2026-03-08', '2026-11-01', '2026-10-03', '2027-02-07', '2027-03-14', '2026-06-10'].map((day) => Date.parse(day));
  const drawn = fc.record({
    zone: fc.constantFrom(...zones),
    from: fc.tuple(fc.constantFrom(...around), fc.integer({ min: -1_440, max: 1_440 })).map(([day, more]) => instant(day + more * 60_000)),
    time: fc.integer({ min: 0, max: 24 * 4 - 1 }).map((quarter) => new Date(quarter * 900_000).toISOString().slice(11, 16)),
    weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 3 }),
  });
  const clock = (zone: string) => {
    const format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      weekday: 'short',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    return (moment: number) => {
      const [day, time] = format.format(moment).split(/,? /) as [string, string];
      return { weekday: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].indexOf(day) + 1, time };
    };
  };

  it('the next time on the wall is the same', () => {
    fc.assert(
      fc.property(drawn, ({ zone, from, time, weekdays }) => {
        const on = clock(zone);
        let moment: number = from;
        const isIt = () => {
          const now = on(moment);
          if (!weekdays.includes(now.weekday)) return false;
          const isRepeated = [30, 60].some((by) => on(moment - by * 60_000).time === now.time);
          return now.time === time ? !isRepeated : now.time > time && on(moment - 60_000).time < time;
        };
        while (!isIt()) moment += 60_000;
        expect(nextWallTime(from, zone, time, weekdays)).toBe(moment);
      }),
      { numRuns: draws(40, 400), seed: 5 },
    );
  });

  it('the end of quiet hours is the same', () => {
    fc.assert(
      fc.property(drawn, drawn, ({ zone, from, time }, { time: to }) => {
        const on = clock(zone);
        let moment: number = from;
        while (time !== to && isQuiet(on(moment).time, { from: time, to })) moment += 60_000;
        expect(afterQuiet(from, zone, { from: time, to })).toBe(moment);
      }),
      { numRuns: draws(100, 1_000), seed: 6 },
    );
  });
});
