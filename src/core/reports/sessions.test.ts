import { calendarDay } from '../calendar';
import { checkSession, outcomeOf, readForm, type Session, type SessionFacts, type SessionLimits } from '.';
import { MOST_WORDS } from './sessionFacts';

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
    ['done with no amount told is neither reached nor a struggle (B6)', session({ amount: null }), 'uncounted'],
    ['no amount told, but said too hard, is a struggle', session({ amount: null, effort: 'tooHard' }), 'struggled'],
    ['no amount told, but stopped upset, is a struggle', session({ amount: null, stopReason: 'upset' }), 'struggled'],
    ['an amount of nothing is a struggle', session({ amount: 0 }), 'struggled'],
    ['not done is not a struggle', session({ done: false, amount: 0 }), 'saidNotDone'],
  ] as const)('%s', (_name, given, outcome) => {
    expect(outcomeOf(given, 10)).toBe(outcome);
  });

  it('takes other thresholds', () => {
    expect(outcomeOf(session({ amount: 9 }), 10, { reachedShare: 1, struggledShare: 0.95, mostHelp: 'alone' })).toBe('struggled');
  });

  it.each([
    [4, 4, 'reached'],
    [3.9, 4, 'partly'],
    [2, 2, 'reached'],
    [1, 2, 'partly'],
    [4, 5, 'reached'],
    [3, 5, 'partly'],
  ])('of a target under 5 all is asked for: %d of %d is %s', (amount, target, outcome) => {
    expect(outcomeOf(session({ amount }), target)).toBe(outcome);
  });

  it.each([0, -1, Number.NaN, Infinity])('refuses a target of %d', (target) => {
    expect(() => outcomeOf(session(), target)).toThrow(RangeError);
  });

  it.each([-1, Number.NaN, Infinity])('refuses an amount of %d', (amount) => {
    expect(() => outcomeOf(session({ amount }), 10)).toThrow(RangeError);
  });
});

describe('reading a report', () => {
  const limits: SessionLimits = { today: calendarDay('2026-11-24'), step: 3, chooseFrom: 2, chooseTo: 4 };
  const issuesOf = (raw: Record<string, unknown>) => {
    const read = readForm(raw, limits);
    return read.ok ? [] : read.issues;
  };

  it('takes what a plain form brings', () => {
    const read = readForm(
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
        watch_pressure: 'light',
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
        amount: null,
        minutes: null,
        help: 'words',
        effort: 'right',
        stopReason: null,
        safetyWord: false,
        press: null,
        watched: { pressure: 'light' },
        isQuestion: true,
        words: 'Asks for more',
        saidBy: '',
      },
    });
  });

  it('takes an empty form as today, the asked step, done, and no amount told (B6)', () => {
    expect(readForm({}, limits)).toMatchObject({
      ok: true,
      value: { doneOn: '2026-11-24', done: true, step: 3, left: null, right: null, amount: null, help: null },
    });
  });

  it('takes how long it took, where that is said', () => {
    expect(readForm({ left: '5', minutes: '7' }, limits)).toMatchObject({ value: { minutes: 7 } });
    expect(issuesOf({ minutes: 'long' })).toContainEqual({ code: 'notWhole', path: 'minutes', given: 'long' });
  });

  it('hears that something hurt from the tick and from the reason', () => {
    expect(readForm({ hurt: 'on' }, limits)).toMatchObject({ value: { safetyWord: true } });
    expect(readForm({ stopReason: 'pain' }, limits)).toMatchObject({ value: { safetyWord: true } });
  });

  it.each([
    [{ left: '-1' }, { code: 'negative', path: 'left' }],
    [{ amount: '1000000000' }, { code: 'tooMany', path: 'amount', most: 500 }],
    [{ amount: '501' }, { code: 'tooMany' }],
    [{ right: 'lots' }, { code: 'notWhole', path: 'right', given: 'lots' }],
    [{ right: '2.5' }, { code: 'notWhole' }],
    [{ right: 'NaN' }, { code: 'notWhole' }],
    [{ right: 'Infinity' }, { code: 'notWhole' }],
    [{ doneOn: '2026-11-25' }, { code: 'futureDay', today: '2026-11-24' }],
    [{ doneOn: '2026-02-30' }, { code: 'notADay' }],
    [{ doneOn: '2026-09-24' }, { code: 'tooLongAgo', earliest: '2026-09-25' }],
    [{ amount: '0x10' }, { code: 'notWhole', path: 'amount', given: '0x10' }],
    [{ amount: '1e2' }, { code: 'notWhole', path: 'amount' }],
    [{ amount: {} }, { code: 'notWhole', path: 'amount', given: '{}' }],
    [{ amount: true }, { code: 'notWhole', path: 'amount', given: 'true' }],
    [{ amount: [5] }, { code: 'notWhole', path: 'amount', given: '[5]' }],
    [{ done: 'banana' }, { code: 'notAChoice', path: 'done', given: 'banana' }],
    [{ done: 'No' }, { code: 'notAChoice', path: 'done' }],
    [{ done: false }, { code: 'notAChoice', path: 'done', given: 'false' }],
    [{ done: '0' }, { code: 'notAChoice', path: 'done' }],
    [{ question: 'maybe' }, { code: 'notAChoice', path: 'question' }],
    [
      { done: 'no', amount: '9' },
      { code: 'countedNotDone', path: 'amount', given: 9 },
    ],
    [{ help: 'magic' }, { code: 'notAChoice', path: 'help' }],
    [{ step: '5' }, { code: 'notAllowedStep', path: 'step' }],
    [{ step: '1.5' }, { code: 'notAllowedStep' }],
    [{ words: 'x'.repeat(10_000) }, { code: 'tooLong', path: 'words', given: 10_000, most: MOST_WORDS }],
  ] as const)('says what is wrong with %j', (raw, issue) => {
    expect(issuesOf(raw)).toContainEqual(expect.objectContaining(issue));
  });

  it('says everything that is wrong at once', () => {
    expect(issuesOf({ left: '-1', right: 'x', doneOn: 'soon' }).map((issue) => issue.path)).toEqual(['left', 'right', 'doneOn']);
  });

  it('keeps emoji, right-to-left text and markup as they are, counts people’s characters, and drops control characters', () => {
    const words = '👩‍👧 مرحبا <b>8 of 10</b>\nsecond line';
    expect(readForm({ words: `${words}\u0000\u0007\uD800` }, limits)).toMatchObject({ value: { words } });
    expect(issuesOf({ words: '😀'.repeat(MOST_WORDS) })).toEqual([]);
  });
});

describe('judging what was said, by whichever way it came', () => {
  const limits: SessionLimits = { today: calendarDay('2026-11-24'), step: 3, chooseFrom: 2, chooseTo: 4 };
  const facts: SessionFacts = {
    done: true,
    step: 3,
    doneOn: limits.today,
    left: null,
    right: null,
    amount: 7,
    minutes: null,
    help: null,
    effort: null,
    stopReason: null,
    safetyWord: false,
    press: null,
    isQuestion: false,
    words: '',
    saidBy: '',
  };

  it.each([
    [{ amount: 2.5 }, 'notWhole'],
    [{ amount: Number.NaN }, 'notWhole'],
    [{ left: -1 }, 'negative'],
    [{ step: Number.NaN }, 'notAllowedStep'],
    [{ step: 1 }, 'notAllowedStep'],
    [{ done: false }, 'countedNotDone'],
    [{ saidBy: 'x'.repeat(41) }, 'tooLong'],
  ])('%j is %s', (change, code) => {
    expect(checkSession({ ...facts, ...change }, limits)).toMatchObject({ ok: false, issues: [{ code }] });
  });

  it.each([
    [{ doneOn: calendarDay('2026-09-25') }],
    [{ step: 2 }],
    [{ step: 4 }],
    [{ amount: 500 }],
    [{ amount: 0 }],
    [{ saidBy: 'x'.repeat(40) }],
    [{ done: false, amount: 0 }],
  ])('%j is within the limits', (change) => {
    expect(checkSession({ ...facts, ...change }, limits)).toMatchObject({ ok: true });
  });
});

describe('what comes in is read to the letter, or said not to be understood', () => {
  const limits: SessionLimits = { today: calendarDay('2026-11-24'), step: 3, chooseFrom: 2, chooseTo: 4 };
  const issuesOf = (raw: Record<string, unknown>) => {
    const read = readForm(raw, limits);
    return read.ok ? [] : read.issues.map((issue) => [issue.path, issue.code, 'given' in issue ? issue.given : null]);
  };

  it.each([
    [{ left: {} }, ['left', 'notWhole', '{}']],
    [{ left: [] }, ['left', 'notWhole', '[]']],
    [{ left: true }, ['left', 'notWhole', 'true']],
    [{ help: [] }, ['help', 'notAChoice', '[]']],
    [{ help: 'a word that is far too long to be told again' }, ['help', 'notAChoice', 'a word that is far t']],
  ])('%j', (raw, issue) => {
    expect(issuesOf(raw)).toEqual([issue]);
  });

  it('blanks tell nothing', () => {
    expect(readForm({ left: '  ', help: '   ', step: ' ', doneOn: ' ' }, limits)).toMatchObject({
      ok: true,
      value: { left: null, help: null, step: 3, doneOn: '2026-11-24' },
    });
  });

  it('lines end one way, and what cannot be written down goes', () => {
    expect(readForm({ words: 'a\r\nb\rc\u0000\td\ud800' }, limits)).toMatchObject({ value: { words: 'a\nb\nc\td' } });
  });
});

describe('harm beside another fault', () => {
  it.each([
    { hurt: 'on', words: 'he is bleeding', amount: 'abc' },
    { hurt: 'si', words: 'he is bleeding' },
    { hurt: 'ON', left: '-3' },
    { words: 'he is bleeding', amount: 'abc' },
    { hurt: 'on', words: 'x'.repeat(5000) },
    { hurt: 'on', doneOn: '2099-01-01', step: '77', help: 'lots', saidBy: 'y'.repeat(200) },
  ])('is taken in, and what could not be read stands behind its words: %j', (raw) => {
    const read = readForm(raw, { today: calendarDay('2026-11-24'), step: 3, chooseFrom: 2, chooseTo: 4 });
    expect(read).toMatchObject({ ok: true, value: { safetyWord: true } });
    if (read.ok && 'amount' in raw) expect(read.value.words).toContain('abc');
  });
});
