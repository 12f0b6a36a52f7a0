import { DEFAULT_STREAK, type Suggestion } from '../advancing';
import { addDays, calendarDay } from '../calendar';
import { decisionsFor, type ChildSituation } from '.';

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
  endsOn: addDays(today, 20),
  lastWordOn: addDays(today, -1),
  linkOpened: true,
  tasks: [{ taskId: 1, stepSinceVersion: 4, suggestion: suggestion('hold') }],
  unreadReports: [],
  ...change,
});
const task = (move: Suggestion['move']) => [{ taskId: 1, stepSinceVersion: 4, suggestion: suggestion(move) }];
const kinds = (situations: ChildSituation[]) => decisionsFor(situations, today).map((decision) => `${decision.childId} ${decision.kind}`);

describe('what asks for a person', () => {
  it('comes most urgent first, whatever the order of the children', () => {
    expect(
      kinds([
        child(1, { linkOpened: false, lastWordOn: null }),
        child(2, { endsOn: addDays(today, 3) }),
        child(3, { lastWordOn: addDays(today, -9) }),
        child(4, { tasks: task('up') }),
        child(5, { tasks: task('down') }),
        child(6, { unreadReports: [{ reportId: 1, taskId: 1, safetyWord: false, isQuestion: true }] }),
        child(7, { unreadReports: [{ reportId: 2, taskId: 1, safetyWord: true, isQuestion: false }], tasks: task('holdForPerson') }),
        child(8, { tasks: task('ladderEnd') }),
        child(9),
      ]),
    ).toEqual(['7 safetyWord', '6 question', '5 tooHard', '4 ready', '8 ladderEnd', '3 quiet', '2 ending', '1 neverOpened']);
  });

  it('is quiet after seven days without word, not after six', () => {
    expect(kinds([child(1, { lastWordOn: addDays(today, -6) })])).toEqual([]);
    expect(decisionsFor([child(1, { lastWordOn: addDays(today, -7) })], today)[0]).toMatchObject({ kind: 'quiet', days: 7 });
  });

  it('does not call a link unopened before three days, nor where word came by another way', () => {
    expect(kinds([child(1, { linkOpened: false, sentOn: addDays(today, -2), lastWordOn: null })])).toEqual([]);
    expect(kinds([child(1, { linkOpened: false })])).toEqual([]);
  });

  it('keeps its key while its evidence is the same, also when another task made a new version', () => {
    const key = (situation: ChildSituation) => decisionsFor([situation], today)[0]!.key;
    const ready = child(1, { tasks: task('up') });
    expect(key({ ...ready, versionNumber: 5 })).toBe(key(ready));
    expect(key({ ...ready, tasks: [{ ...ready.tasks[0]!, suggestion: suggestion('up', [5, 6, 9]) }] })).not.toBe(key(ready));
    expect(key({ ...ready, tasks: [{ ...ready.tasks[0]!, stepSinceVersion: 5 }] })).not.toBe(key(ready));
  });
});
