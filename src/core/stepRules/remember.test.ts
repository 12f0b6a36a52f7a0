import { calendarDay } from '../calendar';
import type { DatedSession } from '../reports';
import { remember, triesAt, type Suggestion } from '.';

const day = (text: string) => calendarDay(text);
const session = (doneOn: string, step: number, amount: number, change: Partial<DatedSession> = {}): DatedSession => ({
  reportId: 1,
  doneOn: day(doneOn),
  step,
  versionNumber: 1,
  target: 10,
  done: true,
  amount,
  help: 'words',
  effort: 'right',
  stopReason: null,
  safetyWord: false,
  ...change,
});
const change = (fromStep: number | null, toStep: number, changedOn: string) => ({ fromStep, toStep, changedOn: day(changedOn) });

// The see-saw of one of the demo's children: 3 → 4 on 15 Oct, back on 22 Oct, up on 2 Nov, back on 5 Nov, up on 12 Nov, back on 16 Nov.
const seeSaw = [
  change(null, 3, '2026-10-01'),
  change(3, 4, '2026-10-15'),
  change(4, 3, '2026-10-22'),
  change(3, 4, '2026-11-02'),
  change(4, 3, '2026-11-05'),
  change(3, 4, '2026-11-12'),
  change(4, 3, '2026-11-16'),
];
const sessions = [
  ...['2026-10-16', '2026-10-18', '2026-10-20', '2026-11-03', '2026-11-04', '2026-11-13', '2026-11-14'].map((on) => session(on, 4, 3)),
  session('2026-11-18', 3, 10),
  session('2026-10-17', 4, 9, { safetyWord: true }),
];
const up: Suggestion = {
  move: 'up',
  toStep: 4,
  rule: { name: 'streak', settings: { reachedInARow: 3, onDays: 2, struggledInARow: 2, gapDays: 14 } },
  evidence: { reportIds: [1], sessionsAtStep: 3, reachedInARow: 3, reachedOnDays: 3, struggledInARow: 0 },
  whatWouldChange: { code: 'oneNotReached' },
};

describe('a rule that remembers (common practice, no source)', () => {
  it('counts each stay that began with a step up and is over, with what was reached', () => {
    expect(triesAt(4, seeSaw, sessions)).toEqual([
      { from: '2026-10-15', sessions: 3, reached: 0, endedDown: true },
      { from: '2026-11-02', sessions: 2, reached: 0, endedDown: true },
      { from: '2026-11-12', sessions: 2, reached: 0, endedDown: true },
    ]);
  });

  it('is no try where the step was placed, stepped down to, or is stood on now', () => {
    expect(triesAt(3, seeSaw, sessions)).toEqual([]);
    expect(triesAt(4, seeSaw.slice(0, 2), sessions)).toEqual([]);
    expect(triesAt(4, [change(null, 4, '2026-10-01'), change(4, 3, '2026-10-05')], sessions)).toEqual([]);
  });

  it('a try that went on upwards did not fail', () => {
    expect(triesAt(4, [change(3, 4, '2026-10-15'), change(4, 5, '2026-10-22')], sessions)[0]).toMatchObject({ endedDown: false });
  });

  it.each([
    [0, 'up'],
    [1, 'up'],
    [2, 'stuck'],
    [3, 'stuck'],
  ])('after %s failed tries says %s', (failed, move) => {
    const told = remember(up, triesAt(4, seeSaw.slice(0, 1 + 2 * failed), sessions));
    expect([told.move, told.toStep, told.tries?.length]).toEqual([move, 4, failed]);
  });

  it('leaves every other answer as it is, and says what was tried', () => {
    const down = { ...up, move: 'down', toStep: 2 } as const;
    expect(remember(down, triesAt(4, seeSaw, sessions))).toMatchObject({ move: 'down', toStep: 2 });
    expect(remember(up, [{ from: day('2026-10-15'), sessions: 3, reached: 0, endedDown: true }]).move).toBe('up');
  });
});
