import { calendarDay, instant } from '@/core/calendar';
import { dayAndMonth, longDay, momentIn, shortDay, sinceDays, spanOfDays, weekdayName } from './days';

const day = calendarDay('2026-11-24');

describe('days in words', () => {
  it('name the day itself, whatever the zone of the process', () => {
    expect(longDay(day)).toBe('November 24');
    expect(longDay(day, 'es')).toBe('24 de noviembre');
    expect(shortDay(day)).toBe('Tue 24');
    expect(dayAndMonth(day)).toBe('Tue, Nov 24');
    expect(weekdayName(day, 'es')).toBe('martes');
  });

  it('write a span as short as it may be', () => {
    expect(spanOfDays(calendarDay('2026-11-10'), calendarDay('2026-11-23'))).toBe('November 10 – 23');
    expect(spanOfDays(calendarDay('2026-10-28'), calendarDay('2026-11-10'))).toBe('Oct 28 – Nov 10');
  });

  it.each([
    [null, 'never'],
    [-1, 'today'],
    [0, 'today'],
    [1, 'yesterday'],
    [6, '6 days'],
  ])('%p days ago is %s', (days, words) => {
    expect(sinceDays(days)).toBe(words);
  });

  it('tell a moment on the clock of a place', () => {
    const moment = instant(Date.parse('2026-11-24T02:05:00Z'));
    expect(momentIn(moment, 'America/Denver')).toBe('Nov 23, 7:05 PM');
    expect(momentIn(moment, 'UTC')).toBe('Nov 24, 2:05 AM');
  });
});
