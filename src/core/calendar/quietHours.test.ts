import { DateTime } from 'luxon';
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
