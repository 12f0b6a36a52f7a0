import { calendarDay } from '@/core/calendar';
import { measurementSchema } from '@/core/measurements';
import { addTry, dayOfVisit, isEmpty, measurementOf, NEW_TRIAL, secondsAt, refundTry, turnClock } from './trial';

const DAY = calendarDay('2026-11-02');
const goal = { goalId: 3, measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: DAY } } as const;

test('tries are counted one by one, and the last can be taken back', () => {
  const counted = [true, true, false, true].reduce(addTry, NEW_TRIAL);
  expect(measurementOf(counted, goal, DAY, 0)).toMatchObject({ good: 3, trials: 4 });
  expect(measurementOf(refundTry(counted), goal, DAY, 0)).toMatchObject({ good: 2, trials: 3 });
  expect(refundTry(NEW_TRIAL)).toEqual(NEW_TRIAL);
  expect(Array.from({ length: 600 }, () => true).reduce(addTry, NEW_TRIAL).tries).toHaveLength(500);
});

test('the clock goes by wall time, over several spans, also where the device slept meanwhile', () => {
  const once = turnClock(turnClock(NEW_TRIAL, 1_000), 61_000);
  expect(once).toMatchObject({ seconds: 60, runningSince: null });
  const again = turnClock(once, 100_000);
  expect(secondsAt(again, 130_400)).toBe(90);
  // A device's clock that was set back takes nothing away.
  expect(secondsAt(again, 90_000)).toBe(60);
  expect(measurementOf(again, goal, DAY, 130_400).minutes).toBe(1.5);
  expect(measurementOf({ ...NEW_TRIAL, seconds: 1 }, goal, DAY, 0).minutes).toBe(0.1);
});

test('what is written down is of the day on which it was, also on a sheet that was kept overnight', () => {
  const morning = Date.parse('2026-11-03T15:00:00Z');
  expect(dayOfVisit(DAY, morning, 'America/Denver')).toBe('2026-11-03');
  // A device whose clock runs behind says nothing about the sheet's own day.
  expect(dayOfVisit(calendarDay('2026-11-04'), morning, 'America/Denver')).toBe('2026-11-04');
  // Late in the afternoon it is tomorrow already where a device may think that it is.
  const afternoon = Date.parse('2026-11-03T00:30:00Z');
  expect(dayOfVisit(DAY, afternoon, 'America/Denver')).toBe('2026-11-02');
  expect(dayOfVisit(DAY, afternoon, 'Europe/Paris')).toBe('2026-11-03');
});

test('what is written down passes as a measurement, and what nobody touched is nothing', () => {
  expect(isEmpty(NEW_TRIAL)).toBe(true);
  expect(isEmpty({ ...NEW_TRIAL, watched: { thumbUp: '' }, note: ' ' })).toBe(true);
  const trial = { ...addTry(NEW_TRIAL, true), watched: { thumbUp: '' }, taskStep: '7:3', help: 'words' as const, level: 2 };
  expect(isEmpty(trial)).toBe(false);
  const written = measurementOf(trial, goal, DAY, 0);
  // A level is none of a goal that counts.
  expect(measurementSchema.parse(written)).toEqual({
    goalId: 3,
    taskId: 7,
    step: 3,
    measuredOn: DAY,
    good: 1,
    trials: 1,
    help: 'words',
    level: null,
    minutes: null,
    watched: {},
    note: '',
  });
});
