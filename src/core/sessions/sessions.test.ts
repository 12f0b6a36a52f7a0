import { calendarDay } from '../calendar';
import { amountOf, MOST_WORDS, outcomeOf, readReport, type ReportLimits, type Session } from '.';

const session = (change: Partial<Session> = {}): Session => ({
  done: true,
  amount: 10,
  help: 'words',
  effort: 'right',
  stopReason: null,
  safetyWord: false,
  ...change,
});

describe('outcome of a session (thresholds: common practice, no source)', () => {
  it.each([
    ['80 % is reached', session({ amount: 8 }), 'reached'],
    ['just under 80 % is partly', session({ amount: 7 }), 'partly'],
    ['50 % is partly', session({ amount: 5 }), 'partly'],
    ['under 50 % is struggled', session({ amount: 4 }), 'struggled'],
    ['said too hard is struggled, whatever the count', session({ effort: 'tooHard' }), 'struggled'],
    ['stopped upset is struggled', session({ stopReason: 'upset' }), 'struggled'],
    ['stopped for lack of time is not', session({ stopReason: 'time' }), 'reached'],
    ['more help than allowed is partly', session({ help: 'steadied' }), 'partly'],
    ['the most help allowed still counts', session({ help: 'shown' }), 'reached'],
    ['help not told does not stand against it', session({ help: null }), 'reached'],
    ['not done is not a struggle', session({ done: false, amount: 0 }), 'saidNotDone'],
  ] as const)('%s', (_name, given, outcome) => {
    expect(outcomeOf(given, 10)).toBe(outcome);
  });

  it('takes other thresholds', () => {
    expect(outcomeOf(session({ amount: 9 }), 10, { reachedShare: 1, struggledShare: 0.95, mostHelp: 'alone' })).toBe('struggled');
  });

  it('refuses a target of nothing', () => {
    expect(() => outcomeOf(session(), 0)).toThrow(RangeError);
  });
});

describe('reading a report', () => {
  const limits: ReportLimits = { today: calendarDay('2026-11-24'), step: 3, chooseFrom: 2, chooseTo: 4 };
  const issuesOf = (raw: Record<string, unknown>) => {
    const read = readReport(raw, limits);
    return read.ok ? [] : read.issues;
  };

  it('takes what a plain form brings', () => {
    const read = readReport(
      {
        done: 'yes',
        left: '5',
        right: ' 4 ',
        help: 'words',
        effort: 'right',
        words: ' Asks for more ',
        question: 'on',
        doneOn: '2026-11-23',
        step: '2',
      },
      limits,
    );
    expect(read).toEqual({
      ok: true,
      value: {
        done: true,
        step: 2,
        doneOn: '2026-11-23',
        left: 5,
        right: 4,
        amount: 0,
        minutes: null,
        help: 'words',
        effort: 'right',
        stopReason: null,
        safetyWord: false,
        isQuestion: true,
        words: 'Asks for more',
        saidBy: '',
      },
    });
    if (read.ok) expect(amountOf(read.value)).toBe(9);
  });

  it('takes an empty form as today, the asked step, nothing counted', () => {
    expect(readReport({}, limits)).toMatchObject({ ok: true, value: { doneOn: '2026-11-24', step: 3, amount: 0, help: null } });
  });

  it('takes how long it took, where that is said', () => {
    expect(readReport({ left: '5', minutes: '7' }, limits)).toMatchObject({ value: { minutes: 7 } });
    expect(issuesOf({ minutes: 'long' })).toContainEqual({ code: 'notWhole', path: 'minutes', given: 'long' });
  });

  it('hears that something hurt from the tick and from the reason', () => {
    expect(readReport({ hurt: 'on' }, limits)).toMatchObject({ value: { safetyWord: true } });
    expect(readReport({ stopReason: 'pain' }, limits)).toMatchObject({ value: { safetyWord: true } });
  });

  it.each([
    [{ left: '-1' }, { code: 'negative', path: 'left' }],
    [{ amount: '1e9' }, { code: 'tooMany', path: 'amount', most: 500 }],
    [{ amount: '501' }, { code: 'tooMany' }],
    [{ right: 'lots' }, { code: 'notWhole', path: 'right', given: 'lots' }],
    [{ right: '2.5' }, { code: 'notWhole' }],
    [{ right: 'NaN' }, { code: 'notWhole' }],
    [{ right: 'Infinity' }, { code: 'notWhole' }],
    [{ doneOn: '2026-11-25' }, { code: 'futureDay', today: '2026-11-24' }],
    [{ doneOn: '2026-02-30' }, { code: 'notADay' }],
    [{ doneOn: '2026-09-24' }, { code: 'tooLongAgo', earliest: '2026-09-25' }],
    [{ help: 'magic' }, { code: 'notAChoice', path: 'help' }],
    [{ step: '5' }, { code: 'notAllowedStep', path: 'step' }],
    [{ step: '1.5' }, { code: 'notAllowedStep' }],
    [{ words: 'x'.repeat(10_000) }, { code: 'tooLong', path: 'words', given: 10_000, most: MOST_WORDS }],
  ] as const)('says what is wrong with %j', (raw, issue) => {
    expect(issuesOf(raw)).toContainEqual(expect.objectContaining(issue));
  });

  it('says everything that is wrong at once', () => {
    expect(issuesOf({ left: '-1', right: 'x', doneOn: 'soon' }).map((issue) => issue.path)).toEqual(['doneOn', 'left', 'right']);
  });

  it('keeps emoji, right-to-left text and markup as they are, counts people’s characters, and drops control characters', () => {
    const words = '👩‍👧 مرحبا <b>8 of 10</b>\nsecond line';
    expect(readReport({ words: `${words}\u0000\u0007\uD800` }, limits)).toMatchObject({ value: { words } });
    expect(issuesOf({ words: '😀'.repeat(MOST_WORDS) })).toEqual([]);
  });
});
