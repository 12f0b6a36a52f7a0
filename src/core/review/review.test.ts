import { type Suggestion } from '../stepRules';
import { DEFAULT_STREAK } from '../stepRules/rules';
import { addDays, calendarDay } from '../calendar';
import { answersOf, DECISION_KINDS, decisionsFor, isFollowed, isOfStop, needsReason, type ChildSituation, type DecisionKind } from '.';

const today = calendarDay('2026-11-24');
const suggestion = (move: Suggestion['move'], reportIds = [5, 6]): Suggestion => ({
  move,
  toStep: 3,
  rule: { name: 'streak', settings: DEFAULT_STREAK },
  evidence: { reportIds, sessionsAtStep: 3, reachedInARow: 3, reachedOnDays: 3, struggledInARow: 0 },
  whatWouldChange: { code: 'oneNotReached' },
});
const child = (childId: number, change: Partial<ChildSituation> = {}): ChildSituation => ({
  childId,
  programId: childId,
  versionNumber: 4,
  sentOn: addDays(today, -10),
  startsOn: addDays(today, -10),
  endsOn: addDays(today, 20),
  resumesOn: null,
  isEnded: false,
  lastWordOn: addDays(today, -1),
  linkOpened: true,
  tasks: [{ taskId: 1, stepSinceVersion: 4, suggestion: suggestion('hold') }],
  unreadReports: [],
  unreadTextIds: [],
  unseenClips: [],
  stoppedTasks: [],
  handChangeId: null,
  floodedOn: null,
  stops: [],
  ...change,
});
const task = (move: Suggestion['move']) => [{ taskId: 1, stepSinceVersion: 4, suggestion: suggestion(move) }];
const kinds = (situations: ChildSituation[]) => decisionsFor(situations, today).map((decision) => `${decision.childId} ${decision.kind}`);

it('a child’s cards stay where its most urgent one stood, once that is settled today', () => {
  const round = [child(1, { tasks: task('down') }), child(2, { tasks: task('up') }), child(3, { tasks: task('down') })];
  const order = (settled: { childId: number; kind: 'question' | 'quiet' }[]) =>
    decisionsFor(round, today, settled).map(({ childId }) => childId);
  expect(order([])).toEqual([1, 3, 2]);
  expect(order([{ childId: 2, kind: 'question' }])).toEqual([2, 1, 3]);
  expect(order([{ childId: 1, kind: 'quiet' }])).toEqual([1, 3, 2]);
});

describe('facts that changed', () => {
  const stopped = (blocks: boolean, findingKeys = ['allergen:bowl:wheat']) =>
    child(1, { stoppedTasks: [{ taskId: 1, blocks, findingKeys }] });

  it('ask about each task that they stop, before any report or step, and again where another rule stops it', () => {
    expect(kinds([{ ...stopped(true), tasks: task('up') }])).toEqual(['1 unsafe', '1 ready']);
    expect(kinds([stopped(false)])).toEqual(['1 unsuitable']);
    const key = (situation: ChildSituation) => decisionsFor([situation], today)[0]!.key;
    expect(key(stopped(true))).toBe(key(stopped(true)));
    expect(key(stopped(true))).not.toBe(key(stopped(true, ['latex:gloves'])));
  });

  it('hold nothing that a rule blocks; what asks for a reason is held by one', () => {
    expect(answersOf('unsafe')).not.toContain('hold');
    expect(needsReason({ kind: 'unsuitable', suggestion: null }, 'hold')).toBe(true);
  });

  it('ask for a look at the program once the hand has settled, and for nothing once the practice ended', () => {
    expect(kinds([child(1, { handChangeId: 4 })])).toEqual(['1 handSettled']);
    expect(kinds([child(1, { floodedOn: today })])).toEqual(['1 flooded']);
    expect(kinds([child(1, { handChangeId: 4, isEnded: true, endsOn: today })])).toEqual([]);
  });
});

describe('a practice that a person ended, or lets rest', () => {
  const silent = { lastWordOn: addDays(today, -30), sentOn: addDays(today, -40), startsOn: addDays(today, -40) };
  const urgent = { stops: [{ reportId: 7, taskId: 1, danger: 'told' as const }], tasks: task('up') };

  it('asks for no word and, once ended, for no step; what hurt is still told', () => {
    expect(kinds([child(1, silent)])).toEqual(['1 quiet']);
    expect(kinds([child(1, { ...silent, resumesOn: addDays(today, 1) })])).toEqual([]);
    expect(kinds([child(1, { ...silent, isEnded: true, endsOn: addDays(today, -3) })])).toEqual([]);
    expect(kinds([child(1, { ...urgent, isEnded: true })])).toEqual(['1 safetyWord']);
  });

  it('counts silence from the day on which it went on', () => {
    expect(kinds([child(1, { ...silent, resumesOn: addDays(today, -6) })])).toEqual([]);
    expect(decisionsFor([child(1, { ...silent, resumesOn: addDays(today, -7) })], today)).toMatchObject([{ kind: 'quiet', days: 7 }]);
  });
});

describe('what asks for a person', () => {
  it('comes most urgent first, whatever the order of the children', () => {
    expect(
      kinds([
        child(1, { linkOpened: false, lastWordOn: null }),
        child(2, { endsOn: addDays(today, 3) }),
        child(3, { lastWordOn: addDays(today, -9) }),
        child(4, { tasks: task('up') }),
        child(5, { tasks: task('down') }),
        child(6, { unreadReports: [{ reportId: 1, taskId: 1, isQuestion: true }] }),
        child(7, { stops: [{ reportId: 2, taskId: 1, danger: 'told' }], tasks: task('holdForPerson') }),
        child(10, { stops: [{ reportId: 3, taskId: 1, danger: 'words' }], tasks: task('holdForPerson') }),
        child(11, { stops: [{ reportId: 4, taskId: 1, danger: 'pressed', mistake: true }], tasks: task('holdForPerson') }),
        child(8, { tasks: task('ladderEnd') }),
        child(9),
      ]),
    ).toEqual([
      '7 safetyWord',
      '10 maybeHurt',
      '11 pressed',
      '6 question',
      '5 tooHard',
      '4 ready',
      '8 ladderEnd',
      '3 quiet',
      '2 ending',
      '1 neverOpened',
    ]);
  });

  it('is quiet after seven days without word, not after six', () => {
    expect(kinds([child(1, { lastWordOn: addDays(today, -6) })])).toEqual([]);
    expect(decisionsFor([child(1, { lastWordOn: addDays(today, -7) })], today)[0]).toMatchObject({ kind: 'quiet', days: 7 });
  });

  it('does not call a link unopened before three days, nor where word came by another way', () => {
    expect(kinds([child(1, { linkOpened: false, sentOn: addDays(today, -2), startsOn: addDays(today, -2), lastWordOn: null })])).toEqual(
      [],
    );
    expect(kinds([child(1, { linkOpened: false })])).toEqual([]);
  });

  it('keeps its key while its evidence is the same, also when another task made a new version', () => {
    const key = (situation: ChildSituation) => decisionsFor([situation], today)[0]!.key;
    const ready = child(1, { tasks: task('up') });
    expect(key({ ...ready, versionNumber: 5 })).toBe(key(ready));
    expect(key({ ...ready, tasks: [{ ...ready.tasks[0]!, suggestion: suggestion('up', [5, 6, 9]) }] })).not.toBe(key(ready));
    expect(key({ ...ready, tasks: [{ ...ready.tasks[0]!, stepSinceVersion: 5 }] })).not.toBe(key(ready));
  });

  it.each([
    [4, 'ending', 4],
    [5, 'ending', 5],
    [0, 'ending', 0],
    [-1, 'ended', 1],
    [-40, 'ended', 40],
  ])('with %d days left is %s, told in days that are never negative', (left, kind, days) => {
    expect(decisionsFor([child(1, { endsOn: addDays(today, left) })], today)).toMatchObject([{ kind, days }]);
  });

  it('is not yet ending with six days left', () => {
    expect(kinds([child(1, { endsOn: addDays(today, 6) })])).toEqual([]);
  });

  it('counts silence from the latest of last word, sending and start (B3)', () => {
    const begun = (sent: number, starts: number, word: number | null, linkOpened = true) =>
      kinds([
        child(1, {
          sentOn: addDays(today, sent),
          startsOn: addDays(today, starts),
          lastWordOn: word === null ? null : addDays(today, word),
          linkOpened,
        }),
      ]);
    expect(begun(0, 0, -20)).toEqual([]);
    expect(begun(0, 0, -20, false)).toEqual([]);
    expect(begun(-8, 5, -9)).toEqual([]);
    expect(begun(-6, -6, null)).toEqual([]);
    expect(begun(-7, -7, null)).toEqual(['1 quiet']);
    expect(begun(-9, -6, null)).toEqual([]);
    expect(begun(-3, -3, -20, false)).toEqual(['1 neverOpened']);
    expect(begun(-20, -20, null, false)).toEqual(['1 neverOpened']);
    // Word on the very day that it began: the page was opened somehow.
    expect(begun(-3, -3, -3, false)).toEqual([]);
  });

  it('comes back by itself when it goes on: silence and an ended program after 7, 14 and 28 days', () => {
    const key = (change: Partial<ChildSituation>) =>
      decisionsFor([child(1, { sentOn: addDays(today, -60), startsOn: addDays(today, -60), ...change })], today)[0]!.key;
    // The same last word, looked at on later days.
    const silent = (days: number) => key({ lastWordOn: addDays(today, -days) }).replace(/\d{4}-\d\d-\d\d/, 'DAY');
    expect(silent(13)).toBe(silent(7));
    expect(new Set([silent(7), silent(14), silent(28)]).size).toBe(3);
    const ended = (days: number) => key({ endsOn: addDays(today, -days) }).replace(/\d{4}-\d\d-\d\d/, 'DAY');
    expect(ended(6)).toBe(ended(1));
    expect(new Set([ended(1), ended(7), ended(14), ended(28)]).size).toBe(4);
  });
});

describe('answers', () => {
  const of = (kind: DecisionKind, move: Suggestion['move'] | null = null) => ({ kind, suggestion: move && suggestion(move) });

  it.each(DECISION_KINDS)('every kind can be written about, and put off unless something may have hurt: %s', (kind) => {
    expect(answersOf(kind)).toContain('wrote');
    expect(answersOf(kind).includes('later')).toBe(!isOfStop(kind));
  });

  it('that follow the suggestion need no reason; others do, but for putting off and writing', () => {
    expect(isFollowed(of('ready', 'up'), 'up')).toBe(true);
    expect(isFollowed(of('ready', 'up'), 'hold')).toBe(false);
    expect(isFollowed(of('tooHard', 'down'), 'down')).toBe(true);
    expect(isFollowed(of('tooHard', 'down'), 'up')).toBe(false);
    expect(isFollowed(of('ladderEnd', 'ladderEnd'), 'hold')).toBe(true);
    expect(isFollowed(of('ladderEnd', 'ladderEnd'), 'down')).toBe(false);
    expect(isFollowed(of('question'), 'read')).toBe(true);
    expect(isFollowed(of('question'), 'up')).toBe(false);
    expect(needsReason(of('ready', 'up'), 'hold')).toBe(true);
    expect(needsReason(of('ready', 'up'), 'later')).toBe(false);
    expect(needsReason(of('ready', 'up'), 'wrote')).toBe(false);
    expect(needsReason(of('ready', 'up'), 'up')).toBe(false);
  });

  it('never step up from something that hurt', () => {
    expect(answersOf('safetyWord')).not.toContain('up');
  });
});
