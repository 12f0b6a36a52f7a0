import fc from 'fast-check';
import { calendarDay, daysFromTo } from '../calendar';
import { adherenceRange, practiceOf, wilsonInterval, type PlannedSpan } from '.';

const day = calendarDay;

describe('Wilson score interval', () => {
  // Newcombe 1998, Stat Med 17:857–872, table I (quoted from memory; four digits agree with R's prop.test and SciPy).
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('of %d in %d is %d to %d', (successes, trials, low, high) => {
    const interval = wilsonInterval(successes, trials);
    expect(interval.low).toBeCloseTo(low, 4);
    expect(interval.high).toBeCloseTo(high, 4);
  });

  // Six digits, computed with R and SciPy.
  it('agrees to six digits', () => {
    expect(wilsonInterval(81, 263).low).toBeCloseTo(0.255289, 6);
    expect(wilsonInterval(81, 263).high).toBeCloseTo(0.36621, 5);
    expect(wilsonInterval(1, 29).high).toBeCloseTo(0.171755, 6);
  });

  it('solves its own equation: (p − limit)² = z²·limit(1−limit)/n', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.nat(), (trials, any) => {
        const successes = any % (trials + 1);
        const share = successes / trials;
        for (const limit of Object.values(wilsonInterval(successes, trials))) {
          expect((share - limit) ** 2).toBeCloseTo((1.959963984540054 ** 2 * limit * (1 - limit)) / trials, 12);
        }
      }),
      { seed: 11, numRuns: 300 },
    );
  });

  it.each([
    [1, 0],
    [-1, 5],
    [6, 5],
    [1.5, 5],
  ])('refuses %d of %d', (successes, trials) => {
    expect(() => wilsonInterval(successes, trials)).toThrow(RangeError);
  });
});

describe('adherence as a range', () => {
  it('goes from known done to known done and no word', () => {
    expect(adherenceRange({ planned: 10, knownDone: 6, saidNotDone: 1 })).toEqual({
      planned: 10,
      knownDone: 6,
      saidNotDone: 1,
      noWord: 3,
      low: 0.6,
      high: 0.9,
    });
  });

  it('says nothing where nothing was planned, and refuses counts that do not fit', () => {
    expect(adherenceRange({ planned: 0, knownDone: 0, saidNotDone: 0 })).toMatchObject({ low: null, high: null });
    expect(() => adherenceRange({ planned: 2, knownDone: 2, saidNotDone: 1 })).toThrow(RangeError);
  });
});

describe('practice day by day', () => {
  const days = daysFromTo(day('2026-11-16'), day('2026-11-22')); // Monday to Sunday
  const span: PlannedSpan = {
    from: day('2026-11-16'),
    to: day('2026-11-20'),
    tasks: [
      { taskId: 1, weekdays: [1, 2, 3, 4, 5], target: 10 },
      { taskId: 2, weekdays: [1, 3], target: 6 },
    ],
  };
  const report = (taskId: number, on: string, done = true, amount = 8) => ({ taskId, doneOn: day(on), done, amount });

  it('tells done, partly, said not done, no word and free apart', () => {
    const practice = practiceOf(
      days,
      [span],
      [
        report(1, '2026-11-16'),
        report(2, '2026-11-16'),
        report(1, '2026-11-17', false, 0),
        report(1, '2026-11-18'),
        report(1, '2026-11-21'),
      ],
    );
    expect(practice.days.map((each) => each.word)).toEqual(['done', 'saidNotDone', 'partly', 'noWord', 'noWord', 'done', 'free']);
    expect(practice.adherence).toMatchObject({ planned: 7, knownDone: 3, saidNotDone: 1, noWord: 3 });
    expect(practice.amountAsked).toBe(5 * 10 + 2 * 6);
    expect(practice.amountGiven).toBe(32);
  });

  it('counts a task once a day, however often it was reported, and forgets a "no" that was followed by a "yes"', () => {
    const practice = practiceOf(days, [span], [report(1, '2026-11-17', false, 0), report(1, '2026-11-17'), report(1, '2026-11-17')]);
    expect(practice.adherence).toMatchObject({ knownDone: 1, saidNotDone: 0 });
  });

  it('never shows no word as not done', () => {
    expect(practiceOf(days, [span], []).adherence).toMatchObject({ saidNotDone: 0, low: 0, high: 1 });
  });
});
