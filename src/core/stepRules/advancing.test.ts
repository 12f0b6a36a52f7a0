import fc from 'fast-check';
import { addDays, calendarDay } from '../calendar';
import type { DatedSession } from '../reports';
import { EVIDENCE_DAYS, type TaskStanding } from '.';
import { streakRule } from '../../../tests/fixtures/streakRule';

const today = calendarDay('2026-11-24');
let nextId = 0;
const session = (daysAgo: number, amount: number, change: Partial<DatedSession> = {}): DatedSession => ({
  reportId: (nextId += 1),
  doneOn: addDays(today, -daysAgo),
  step: 3,
  versionNumber: 2,
  target: 10,
  done: true,
  amount,
  help: 'words',
  effort: 'right',
  stopReason: null,
  safetyWord: false,
  ...change,
});
const standing = (sessions: DatedSession[], change: Partial<TaskStanding> = {}): TaskStanding => ({
  sessions,
  currentStep: 3,
  stepSinceVersion: 2,
  stepCount: 6,
  today,
  stopReportIds: [],
  ...change,
});
const good = (daysAgo: number, change: Partial<DatedSession> = {}) => session(daysAgo, 9, change);
const poor = (daysAgo: number, change: Partial<DatedSession> = {}) => session(daysAgo, 2, change);

beforeEach(() => {
  nextId = 0;
});

describe('streak rule (common practice, no source)', () => {
  it('goes up after three reached in a row on at least two days, and shows which reports', () => {
    const suggestion = streakRule(standing([session(5, 6), good(3), good(2), good(0)]));
    expect(suggestion).toMatchObject({
      move: 'up',
      toStep: 4,
      evidence: { reportIds: [2, 3, 4], reachedInARow: 3, reachedOnDays: 3, sessionsAtStep: 4 },
    });
    expect(suggestion.whatWouldChange).toEqual({ code: 'oneNotReached' });
  });

  it('what hurt is no evidence: it neither counts as reached nor breaks a row', () => {
    const hurt = good(2, { safetyWord: true });
    expect(streakRule(standing([good(4), good(3), hurt]))).toMatchObject({ move: 'hold', evidence: { reachedInARow: 2 } });
    expect(streakRule(standing([good(4), good(3), hurt, good(1)]))).toMatchObject({ move: 'up', evidence: { reachedInARow: 3 } });
  });

  it('a refusal breaks a row of reached ones, is told, and is no struggle', () => {
    const refusal = session(1, 0, { done: false, amount: null, stopReason: 'refused' });
    expect(streakRule(standing([good(4), good(3), good(2), refusal]))).toMatchObject({
      move: 'hold',
      evidence: { reachedInARow: 0, sessionsAtStep: 3, refused: 1 },
    });
    expect(streakRule(standing([poor(3), refusal, poor(0)]))).toMatchObject({ move: 'down', evidence: { struggledInARow: 2 } });
    // No time is no refusal.
    const noTime = session(1, 0, { done: false, amount: null, stopReason: 'time' });
    expect(streakRule(standing([good(4), good(3), good(2), noTime])).move).toBe('up');
  });

  it('goes up only where the help was told once at least, and says so', () => {
    const untold = { help: null };
    expect(streakRule(standing([good(3, untold), good(2, untold), good(0, untold)]))).toMatchObject({
      move: 'hold',
      evidence: { reachedInARow: 3, helpTold: 0 },
      whatWouldChange: { code: 'helpTold' },
    });
    expect(streakRule(standing([good(3, untold), good(2), good(0, untold)]))).toMatchObject({ move: 'up', evidence: { helpTold: 1 } });
  });

  it('goes down only on two days, as it goes up', () => {
    expect(streakRule(standing([poor(1), poor(1)]))).toMatchObject({ move: 'hold', evidence: { struggledInARow: 2, struggledOnDays: 1 } });
    expect(streakRule(standing([poor(2), poor(1)]))).toMatchObject({ move: 'down', evidence: { struggledOnDays: 2 } });
  });

  it('holds when all three came on one day', () => {
    expect(streakRule(standing([good(1), good(1), good(1)]))).toMatchObject({
      move: 'hold',
      toStep: 3,
      whatWouldChange: { code: 'moreNeeded', reached: 0, days: 1 },
    });
  });

  it('holds with two, and says that one more is needed', () => {
    expect(streakRule(standing([good(2), good(1)]))).toMatchObject({
      move: 'hold',
      whatWouldChange: { code: 'moreNeeded', reached: 1, days: 0 },
    });
  });

  it('goes down after two struggled in a row', () => {
    expect(streakRule(standing([good(4), poor(2), poor(1)]))).toMatchObject({
      move: 'down',
      toStep: 2,
      evidence: { reportIds: [2, 3], struggledInARow: 2 },
    });
  });

  it('holds at the foot of the ladder, whatever is struggled', () => {
    expect(streakRule(standing([poor(2, { step: 1 }), poor(1, { step: 1 })], { currentStep: 1 }))).toMatchObject({
      move: 'hold',
      toStep: 1,
    });
  });

  it('says so at the top of the ladder', () => {
    expect(streakRule(standing([good(3), good(2), good(1)], { stepCount: 3 }))).toMatchObject({ move: 'ladderEnd', toStep: 3 });
  });

  it('counts a session at another step for that step only', () => {
    expect(streakRule(standing([good(4), good(3), good(2, { step: 2 }), good(1)]))).toMatchObject({
      move: 'up',
      evidence: { reportIds: [1, 2, 4] },
    });
    expect(streakRule(standing([good(3), poor(2, { step: 4 }), poor(1, { step: 4 })]))).toMatchObject({
      move: 'hold',
      evidence: { struggledInARow: 0 },
    });
  });

  it('forgets what was done before the step was set', () => {
    expect(streakRule(standing([good(9, { versionNumber: 1 }), good(8, { versionNumber: 1 }), good(1)]))).toMatchObject({
      move: 'hold',
      evidence: { sessionsAtStep: 1 },
    });
  });

  it('restarts the count after a pause of more than 14 days', () => {
    expect(streakRule(standing([good(17), good(16), good(1)]))).toMatchObject({ move: 'hold', evidence: { sessionsAtStep: 1 } });
    expect(streakRule(standing([good(16), good(15), good(1)]))).toMatchObject({ move: 'up' });
    expect(streakRule(standing([good(18), good(16), good(15)]))).toMatchObject({ move: 'hold', evidence: { sessionsAtStep: 0 } });
  });

  it('waits for a person while a safety word is unread', () => {
    expect(streakRule(standing([good(3), good(2), good(1)], { stopReportIds: [7] }))).toMatchObject({
      move: 'holdForPerson',
      toStep: 3,
      evidence: { reportIds: [7] },
    });
  });

  it('takes a day said not done as no evidence either way', () => {
    expect(streakRule(standing([good(4), good(3), session(2, 0, { done: false }), good(1)]))).toMatchObject({ move: 'up' });
  });

  it('does not depend on the order in which reports came in', () => {
    const sessions = [good(4), poor(3), good(2), good(1), good(0)];
    expect(streakRule(standing([...sessions].reverse()))).toEqual(streakRule(standing(sessions)));
  });

  it('needs nothing older than its evidence days', () => {
    const oldest = [good(42), good(28), good(14)];
    expect(streakRule(standing(oldest))).toMatchObject({ move: 'up' });
    const olderToo = [poor(EVIDENCE_DAYS + 1), poor(EVIDENCE_DAYS + 2), ...oldest];
    expect(streakRule(standing(olderToo)).move).toBe(streakRule(standing(oldest)).move);
  });

  it('never moves more than one step, and never off the ladder', () => {
    const some = fc.record({
      daysAgo: fc.integer({ min: 0, max: 40 }),
      amount: fc.integer({ min: 0, max: 12 }),
      step: fc.integer({ min: 1, max: 5 }),
      done: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(some, { maxLength: 25 }), fc.integer({ min: 1, max: 5 }), (list, currentStep) => {
        const sessions = list.map((each, index) =>
          session(each.daysAgo, each.amount, { reportId: index, step: each.step, done: each.done }),
        );
        const { toStep, move } = streakRule(standing(sessions, { currentStep, stepCount: 5 }));
        expect(Math.abs(toStep - currentStep)).toBe(move === 'up' || move === 'down' ? 1 : 0);
        expect(toStep).toBeGreaterThanOrEqual(1);
        expect(toStep).toBeLessThanOrEqual(5);
      }),
      { seed: 5, numRuns: 400 },
    );
  });
});
