import fc from 'fast-check';
import { calendarDay, daysFromTo } from '../calendar';
import { adherenceRange, doseBySkill, practiceOf, wilsonInterval, type PlannedSpan } from '.';

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
  const TARGETS: Readonly<Record<number, number>> = { 1: 10, 2: 6 };
  const days = daysFromTo(day('2026-11-16'), day('2026-11-22')); // Monday to Sunday
  const span: PlannedSpan = {
    from: day('2026-11-16'),
    to: day('2026-11-20'),
    tasks: [
      { taskId: 1, weekdays: [1, 2, 3, 4, 5], target: 10, unit: 'repetitions' },
      { taskId: 2, weekdays: [1, 3], target: 6, unit: 'minutes' },
    ],
  };
  const after = day('2026-11-30');
  const report = (taskId: number, on: string, done = true, amount: number | null = 8, target: number | null = TARGETS[taskId]!) => ({
    taskId,
    doneOn: day(on),
    done,
    amount,
    target,
  });

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
      after,
    );
    expect(practice.days.map((each) => each.word)).toEqual(['done', 'saidNotDone', 'partly', 'noWord', 'noWord', 'done', 'free']);
    expect(practice.adherence).toMatchObject({ planned: 7, knownDone: 3, saidNotDone: 1, noWord: 3 });
    // The Saturday was not asked for: it shows on its day and is no part of the dose.
    expect(practice.dose.tasks).toEqual([
      { taskId: 1, unit: 'repetitions', asked: 50, given: 16, share: 0.32 },
      { taskId: 2, unit: 'minutes', asked: 12, given: 8, share: 8 / 12 },
    ]);
  });

  it('counts a task once a day, however often it was reported, and forgets a "no" that was followed by a "yes"', () => {
    const practice = practiceOf(days, [span], [report(1, '2026-11-17', false, 0), report(1, '2026-11-17'), report(1, '2026-11-17')], after);
    expect(practice.adherence).toMatchObject({ knownDone: 1, saidNotDone: 0 });
  });

  it('never shows no word as not done', () => {
    expect(practiceOf(days, [span], [], after).adherence).toMatchObject({ saidNotDone: 0, low: 0, high: 1 });
  });

  it('adds no unlike units, and lets no surplus hide a lack (B4)', () => {
    const each = {
      from: days[0]!,
      to: days[0]!,
      tasks: [
        { ...span.tasks[0]!, target: 60 },
        { ...span.tasks[1]!, target: 5 },
      ],
    };
    const { dose } = practiceOf([days[0]!], [each], [report(1, '2026-11-16', true, 0, 60), report(2, '2026-11-16', true, 65, 5)], after);
    expect(dose).toMatchObject({ share: 0.5, tasks: [{ share: 0 }, { asked: 5, given: 65, share: 1 }] });
  });

  it('counts what was done at another step by what that step asks for, and leaves out what asks for nothing', () => {
    const first = { ...span, to: days[0]! };
    const given = (amount: number, target: number | null) =>
      practiceOf([days[0]!], [first], [report(1, '2026-11-16', true, amount, target)], after).dose;
    // All of an easier step that asks for 5, where today's step asks for 10: a whole day.
    expect(given(5, 5).tasks[0]).toMatchObject({ asked: 10, given: 10, share: 1 });
    expect(given(2, 8).tasks[0]).toMatchObject({ asked: 10, given: 2.5, share: 0.25 });
    expect(given(9, null)).toMatchObject({ uncounted: 1, tasks: [{ taskId: 2 }] });
    const watched = { ...first, tasks: [{ ...span.tasks[0]!, target: null }] };
    expect(practiceOf([days[0]!], [watched], [report(1, '2026-11-16', true, 9, null)], after)).toMatchObject({
      adherence: { planned: 1, knownDone: 1 },
      dose: { share: null, uncounted: 0, tasks: [] },
    });
  });

  it('counts a day done with no amount told as done, and leaves it out of the dose (B6)', () => {
    const { adherence, dose } = practiceOf(days, [span], [report(1, '2026-11-16', true, null), report(1, '2026-11-17')], after);
    expect(adherence).toMatchObject({ knownDone: 2, saidNotDone: 0 });
    expect(dose).toMatchObject({ uncounted: 1, tasks: [{ taskId: 1, asked: 40, given: 8 }, { taskId: 2 }] });
  });

  it('does not count as done what was told with an amount of nothing', () => {
    expect(practiceOf(days, [span], [report(1, '2026-11-16', true, 0)], after).adherence).toMatchObject({ knownDone: 0, saidNotDone: 1 });
  });

  it('leaves today open until word has come (B7)', () => {
    const week = { ...span, tasks: [span.tasks[0]!] };
    const told = ['2026-11-16', '2026-11-17', '2026-11-18', '2026-11-19'].map((on) => report(1, on));
    const friday = day('2026-11-20');
    const open = practiceOf(daysFromTo(days[0]!, friday), [week], told, friday);
    expect(open.adherence).toMatchObject({ planned: 4, knownDone: 4, low: 1, high: 1 });
    expect(open.days.at(-1)).toMatchObject({ word: 'open', planned: 0 });
    expect(practiceOf(daysFromTo(days[0]!, friday), [week], told, after).adherence).toMatchObject({ planned: 5, noWord: 1 });
    const refused = practiceOf(daysFromTo(days[0]!, friday), [week], [...told, report(1, '2026-11-20', false)], friday);
    expect(refused.adherence).toMatchObject({ planned: 5, saidNotDone: 1 });
    expect(refused.days.at(-1)!.word).toBe('saidNotDone');
  });

  it('calls today partly done while a task of it is still open', () => {
    const monday = day('2026-11-16');
    expect(practiceOf([monday], [span], [report(1, '2026-11-16')], monday).days[0]).toMatchObject({
      word: 'partly',
      planned: 1,
      knownDone: 1,
    });
  });
});

describe('the dose by skill', () => {
  it('is the mean of its tasks’ shares, the least given first; a task that is not known is left out', () => {
    const tasks = [
      { id: 'tongs', share: 0.5 },
      { id: 'pegs', share: 1 },
      { id: 'beams', share: 0.25 },
      { id: 'gone', share: 0 },
    ];
    const skills: Record<string, string> = { tongs: 'pinch', pegs: 'pinch', beams: 'tracing' };
    expect(doseBySkill(tasks, ({ id }) => skills[id] ?? null)).toEqual([
      { skill: 'tracing', share: 0.25 },
      { skill: 'pinch', share: 0.75 },
    ]);
    expect(doseBySkill([], () => 'pinch')).toEqual([]);
  });
});

describe('numbers that are none are refused', () => {
  it.each([
    [{ planned: Number.NaN, knownDone: 0, saidNotDone: 0 }],
    [{ planned: Infinity, knownDone: 0, saidNotDone: 0 }],
    [{ planned: 2.5, knownDone: 1, saidNotDone: 0 }],
    [{ planned: 3, knownDone: -1, saidNotDone: 0 }],
  ])('%j', (counts) => {
    expect(() => adherenceRange(counts)).toThrow(RangeError);
  });

  it.each([Number.NaN, Infinity, -1.96])('z = %d', (z) => {
    expect(() => wilsonInterval(1, 2, z)).toThrow(RangeError);
  });
});
