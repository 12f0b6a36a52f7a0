import { calendarDay } from '@/core/calendar';
import { GOAL_PATTERNS, goalSchema } from '@/core/goals';
import { goalFrom, goalValuesFrom, withPattern } from './goalValues';

const [today, review] = [calendarDay('2026-09-01'), calendarDay('2026-12-18')];

it('a goal comes back from its form as it went in, of whatever measure', () => {
  for (const pattern of GOAL_PATTERNS) {
    const filled = { ...withPattern(goalValuesFrom(null, today, review), pattern), from: '0', helpFrom: 'handOverHand' as const };
    const goal = goalSchema.parse(goalFrom(filled));
    expect(goal.statement).toBe(pattern.statement);
    expect(goalSchema.parse(goalFrom(goalValuesFrom(goal, today, null)))).toEqual(goal);
  }
});

it('a goal in words keeps its words, and asks for its numbers', () => {
  const old = goalSchema.parse({
    skill: 'scissors',
    statement: 'Cuts along a path',
    measure: { kind: 'words', baseline: 'snips', criterion: '15 cm' },
    mostHelp: 'words',
    sessions: 1,
    reviewOn: review,
    taskIds: [],
  });
  const values = goalValuesFrom(old, today, null);
  expect(values.statement).toBe('Cuts along a path');
  expect(goalSchema.safeParse(goalFrom(values)).error?.issues.map(({ path }) => path.join('.'))).toEqual(['measure.from']);
});
