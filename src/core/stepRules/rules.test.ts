import fc from 'fast-check';
import { addDays, calendarDay } from '../calendar';
import { DEFAULT_OUTCOME_SETTINGS, type DatedSession, type Outcome } from '../reports';
import type { HelpLevel } from '../vocabulary';
import { askedHelp, EVIDENCE_DAYS, RULE_NAMES, ruleFor, RULES, suggestStep, type Rule, type TaskStanding } from '.';
import { successOf } from './verdicts';

const today = calendarDay('2026-11-24');
const standing = (sessions: readonly DatedSession[], change: Partial<TaskStanding> = {}): TaskStanding => ({
  sessions,
  currentStep: 3,
  stepSinceVersion: 1,
  stepCount: 6,
  today,
  stopReportIds: [],
  ...change,
});
const one = (reportId: number, daysAgo: number, amount: number | null, change: Partial<DatedSession> = {}): DatedSession => ({
  reportId,
  doneOn: addDays(today, -daysAgo),
  step: 3,
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
/** Sessions one a day up to yesterday: 9 for r, 6 for p, 2 for s, a refusal for x, done without a count for u. */
const days = (word: string, change: Partial<DatedSession> = {}): DatedSession[] =>
  [...word].map((letter, index) => {
    const ago = word.length - index;
    if (letter === 'x') return one(index + 1, ago, null, { ...change, done: false, stopReason: 'refused' });
    return one(index + 1, ago, { r: 9, p: 6, s: 2, u: null }[letter]!, change);
  });

describe('so many of the last few (common practice, no source)', () => {
  it.each([
    ['rrrr', 'hold', 'four are no five'],
    ['rrrrp', 'up', 'four of five'],
    ['srrrr', 'up', 'four of five, a struggle first'],
    ['rrsrr', 'up', 'four of five, a struggle between, where three in a row would wait'],
    ['rrpprr', 'hold', 'the last five hold three'],
    ['rrrrx', 'up', 'a refusal is one of the five'],
    ['rrrxx', 'hold', 'two refusals are two of the five'],
    ['sss', 'down', 'three of three are three of five'],
    ['srsrs', 'down', 'three of five'],
    ['srsrr', 'hold', 'two of five'],
    ['sxsxs', 'down', 'a refusal is no struggle, and hides none'],
    ['rruurrr', 'up', 'what nobody counted takes no place'],
  ])('%s: %s (%s)', (word, move) => {
    expect(suggestStep(standing(days(word)), RULES.mOfN).move).toBe(move);
  });

  it('shows what it counted, and what would have changed it', () => {
    expect(suggestStep(standing(days('rrsrr')), RULES.mOfN)).toMatchObject({
      toStep: 4,
      evidence: { reportIds: [1, 2, 4, 5], last: { sessions: 5, reached: 4, struggled: 1, onDays: 5 } },
      whatWouldChange: { code: 'fewerReached' },
    });
    expect(suggestStep(standing(days('rr')), RULES.mOfN).whatWouldChange).toEqual({ code: 'sessionsNeeded', sessions: 3 });
  });

  it('needs two days, as every rule does', () => {
    const onOneDay = [1, 2, 3, 4, 5].map((id) => one(id, 1, 9));
    for (const name of RULE_NAMES) expect([name, suggestStep(standing(onOneDay), RULES[name]).move]).toEqual([name, 'hold']);
    const poor = [1, 2, 3, 4, 5].map((id) => one(id, 1, 1));
    for (const name of RULE_NAMES) expect([name, suggestStep(standing(poor), RULES[name]).move]).toEqual([name, 'hold']);
  });
});

describe('a mean success within a band (common practice, no source)', () => {
  const counted = (...amounts: number[]) => amounts.map((amount, index) => one(index + 1, amounts.length - index, amount));

  it.each([
    [[9, 9, 9, 9, 9], 'up', 0.9],
    [[8, 8, 8, 8, 8], 'hold', 0.8],
    [[7, 7, 7, 7, 7], 'hold', 0.7],
    [[7, 7, 7, 7, 6], 'down', 0.68],
    [[10, 10, 10, 10, 2], 'hold', 0.84],
    [[10, 10, 10, 10, 3], 'up', 0.86],
    [[1, 1, 1, 9, 9, 9, 9, 9], 'up', 0.9],
  ])('%j: %s, mean %s', (amounts, move, mean) => {
    const suggestion = suggestStep(standing(counted(...amounts)), RULES.band);
    expect(suggestion.move).toBe(move);
    expect(suggestion.evidence.last!.meanSuccess).toBeCloseTo(mean, 10);
  });

  it('holds at the very limits', () => {
    const of20 = (amount: number) => [1, 2, 3, 4, 5].map((id) => one(id, id, amount, { target: 20 }));
    expect(suggestStep(standing(of20(17)), RULES.band)).toMatchObject({ move: 'hold', evidence: { last: { meanSuccess: 0.85 } } });
    expect(suggestStep(standing(of20(18)), RULES.band).move).toBe('up');
    expect(suggestStep(standing(of20(14)), RULES.band).move).toBe('hold');
  });

  it('says how many sessions are missing before it says anything', () => {
    expect(suggestStep(standing(counted(10, 10, 10, 10)), RULES.band)).toMatchObject({
      move: 'hold',
      whatWouldChange: { code: 'sessionsNeeded', sessions: 1 },
    });
  });

  it('a session that was too hard, or took too much help, is no more success than its outcome', () => {
    const judged = (outcome: Outcome, amount: number) => ({ ...one(1, 1, amount), outcome });
    expect(successOf(judged('struggled', 10), DEFAULT_OUTCOME_SETTINGS)).toBe(0.5);
    expect(successOf(judged('struggled', 2), DEFAULT_OUTCOME_SETTINGS)).toBe(0.2);
    expect(successOf(judged('partly', 10), DEFAULT_OUTCOME_SETTINGS)).toBe(0.8);
    expect(successOf(judged('reached', 14), DEFAULT_OUTCOME_SETTINGS)).toBe(1);
  });

  it('goes up after no refusal', () => {
    expect(suggestStep(standing(days('rrrrrx')), RULES.band).move).toBe('hold');
    expect(suggestStep(standing(days('rrrxrr')), RULES.band).move).toBe('up');
  });
});

describe('every rule', () => {
  const anySession = fc.record({
    daysAgo: fc.integer({ min: 0, max: 60 }),
    amount: fc.option(fc.integer({ min: 0, max: 12 })),
    step: fc.constantFrom(2, 3, 3, 3, 3, 4),
    help: fc.constantFrom<HelpLevel | null>('alone', 'words', 'steadied', null),
    effort: fc.constantFrom<DatedSession['effort']>('right', 'tooHard', 'tooEasy', null),
    stopReason: fc.constantFrom<DatedSession['stopReason']>(null, null, null, 'upset', 'refused', 'time'),
    done: fc.constantFrom(true, true, true, false),
    safetyWord: fc.constantFrom(false, false, false, false, true),
  });
  const anyLog = fc
    .array(anySession, { maxLength: 30 })
    .map((list) => list.map(({ daysAgo, amount, ...rest }, index) => one(index + 1, daysAgo, amount, rest)));
  const anyRule = fc.constantFrom<Rule>(...RULE_NAMES.map((name) => RULES[name]));
  const runs = { seed: 14, numRuns: 1_500 };

  it('moves one step at most, and never off the ladder', () => {
    fc.assert(
      fc.property(anyLog, anyRule, fc.integer({ min: 1, max: 4 }), (log, rule, currentStep) => {
        const { toStep, move } = suggestStep(standing(log, { currentStep, stepCount: 4 }), rule);
        expect(Math.abs(toStep - currentStep)).toBe(move === 'up' || move === 'down' ? 1 : 0);
        expect(toStep >= 1 && toStep <= 4).toBe(true);
      }),
      runs,
    );
  });

  it('a report of harm is never out-voted', () => {
    fc.assert(
      fc.property(anyLog, anyRule, (log, rule) => {
        expect(suggestStep(standing(log, { stopReportIds: [99] }), rule)).toMatchObject({
          move: 'holdForPerson',
          evidence: { reportIds: [99] },
        });
      }),
      runs,
    );
  });

  it('one more reached session never turns up into down', () => {
    fc.assert(
      fc.property(anyLog, anyRule, (log, rule) => {
        const more = [...log, one(999, 0, 10, { help: 'alone' })];
        if (suggestStep(standing(log), rule).move === 'up') expect(suggestStep(standing(more), rule).move).not.toBe('down');
      }),
      { ...runs, seed: 15 },
    );
  });

  it('a counted session told better than it was makes no step down of what was none', () => {
    fc.assert(
      fc.property(anyLog, anyRule, fc.nat(29), (log, rule, at) => {
        const better = log.map((session, index) =>
          index === at && session.done && session.amount !== null
            ? { ...session, amount: 10, help: 'alone' as const, effort: 'right' as const, stopReason: null }
            : session,
        );
        if (suggestStep(standing(log), rule).move !== 'down') expect(suggestStep(standing(better), rule).move).not.toBe('down');
      }),
      { ...runs, seed: 17 },
    );
  });

  it('does not ask in which order reports came in', () => {
    fc.assert(
      fc.property(anyLog, anyRule, fc.integer({ min: 1, max: 29 }), (log, rule, shift) => {
        // The same sessions, told in another order: numbers follow the telling.
        const told = [...log.slice(shift), ...log.slice(0, shift)].map((session, index) => ({ ...session, reportId: index + 1 }));
        const [first, second] = [log, told].map((each) => suggestStep(standing(each), rule));
        expect({ ...second, evidence: { ...second!.evidence, reportIds: [] } }).toEqual({
          ...first,
          evidence: { ...first!.evidence, reportIds: [] },
        });
      }),
      runs,
    );
  });

  it('of two on one day the poorer counts as the later, whichever was told first', () => {
    const hard = (id: number) => one(id, 1, 9, { effort: 'tooHard' });
    const good = (id: number) => one(id, 1, 9);
    const before = [one(1, 4, 9), one(2, 3, 9)];
    for (const pair of [
      [hard(3), good(4)],
      [good(3), hard(4)],
    ])
      expect(suggestStep(standing([...before, ...pair]), RULES.streak)).toMatchObject({ move: 'hold', evidence: { struggledInARow: 1 } });
  });

  it('asks for the order in which things were done', () => {
    const [rising, falling] = [days('ssrrr'), days('rrrss')];
    expect(suggestStep(standing(rising), RULES.streak).move).toBe('up');
    expect(suggestStep(standing(falling), RULES.streak).move).toBe('down');
  });

  it('needs nothing older than its evidence days', () => {
    fc.assert(
      fc.property(anyLog, anyRule, (log, rule) => {
        const old = log.map((session, index) => ({
          ...session,
          reportId: 500 + index,
          doneOn: addDays(session.doneOn, -EVIDENCE_DAYS - 1),
        }));
        const { move } = suggestStep(standing([...log, ...old]), rule);
        expect(move).toBe(suggestStep(standing(log.filter(({ doneOn }) => doneOn >= addDays(today, -EVIDENCE_DAYS))), rule).move);
      }),
      { seed: 16, numRuns: 400 },
    );
  });

  it('goes up only where the help was told in one of the sessions that count', () => {
    for (const name of RULE_NAMES) {
      expect([name, suggestStep(standing(days('rrrrr', { help: null })), RULES[name])]).toMatchObject([
        name,
        { move: 'hold', whatWouldChange: { code: 'helpTold' } },
      ]);
      expect([name, suggestStep(standing(days('rrrrr')), RULES[name]).move]).toEqual([name, 'up']);
    }
  });

  it('says so at the ladder’s end, holds at its foot, and starts anew after a long pause', () => {
    for (const name of RULE_NAMES) {
      expect(suggestStep(standing(days('rrrrr'), { stepCount: 3 }), RULES[name]).move).toBe('ladderEnd');
      const atFoot = days('sssss', { step: 1 });
      expect(suggestStep(standing(atFoot, { currentStep: 1 }), RULES[name]).move).toBe('hold');
      const long = [...days('rrrr').map((each) => ({ ...each, doneOn: addDays(each.doneOn, -20) })), one(9, 1, 9)];
      expect(suggestStep(standing(long), RULES[name])).toMatchObject({ move: 'hold', evidence: { sessionsAtStep: 1 } });
    }
  });

  it('is the task’s, else the child’s, else the caseload’s, else three in a row', () => {
    expect(ruleFor('band', 'mOfN', 'streak').name).toBe('band');
    expect(ruleFor(undefined, 'mOfN', 'band').name).toBe('mOfN');
    expect(ruleFor(undefined, null, 'band').name).toBe('band');
    expect(ruleFor(undefined, undefined, null).name).toBe('streak');
  });
});

describe('prompt fading (common practice, no source)', () => {
  const told = (help: HelpLevel | null, outcome: Outcome) => ({ help, outcome });

  it.each([
    [[], 'shown', 'shown'],
    [[told('shown', 'reached')], 'pointed', 'shown'],
    [[told('shown', 'partly')], 'shown', 'shown'],
    [[told('pointed', 'struggled')], 'shown', 'shown'],
    [[told('alone', 'reached')], 'alone', 'alone'],
    [[told('handOverHand', 'struggled')], 'handOverHand', 'handOverHand'],
    [[told('words', 'reached'), told(null, 'struggled'), told('steadied', 'refused')], 'alone', 'words'],
  ] as const)('most to least after %j: begin with %s, go back to %s', (sessions, first, upTo) => {
    expect(askedHelp('mostToLeast', sessions, 'shown')).toEqual({ first, upTo });
  });

  it.each([
    [[], 'shown'],
    [[told('pointed', 'reached')], 'pointed'],
    [[told('pointed', 'struggled')], 'shown'],
  ] as const)('least to most after %j: wait first, then add up to %s', (sessions, upTo) => {
    expect(askedHelp('leastToMost', sessions, 'shown')).toEqual({ first: 'alone', upTo });
  });
});
