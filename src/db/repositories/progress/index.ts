import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** What somebody added to a goal's paragraph in their own words. */
export interface GoalWords {
  readonly words: string;
  readonly by: string;
  readonly at: Instant;
}

export async function goalWordsOf(work: Work, goalId: number, from: CalendarDay): Promise<GoalWords | null> {
  const [row] = await tablesOf(work).select<GoalWords>(
    `SELECT w.words, p.name AS \`by\`, w.written_at AS at FROM goal_words w JOIN people p ON p.id = w.written_by
     WHERE w.goal_id = :goalId AND w.period_from = :from`,
    { goalId, from },
  );
  return row ?? null;
}

/** Empty words are none. */
export async function writeGoalWords(
  work: Work,
  { goalId, from, words, by, at }: { goalId: number; from: CalendarDay; words: string; by: number; at: Instant },
): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('goal_words', { goal_id: goalId, period_from: from });
  if (words !== '') await tables.insert('goal_words', { goal_id: goalId, period_from: from, words, written_by: by, written_at: at });
}

export interface ClosedGoal {
  readonly id: number;
  readonly childId: number;
  readonly goalId: number;
  readonly periodName: string;
  readonly from: CalendarDay;
  readonly to: CalendarDay;
  /** As it was frozen; whoever reads it knows its form. */
  readonly content: unknown;
  readonly words: string;
  readonly closedBy: string;
  readonly closedAt: Instant;
}

type Row = Omit<ClosedGoal, 'from' | 'to' | 'content'> & { readonly from: string; readonly to: string; readonly content: unknown };

/** The periods of a goal that were closed, latest first. */
export async function closedGoalsOf(work: Work, goalId: number): Promise<ClosedGoal[]> {
  const rows = await tablesOf(work).select<Row>(
    `SELECT c.id, c.child_id AS childId, c.goal_id AS goalId, c.period_name AS periodName, c.period_from AS \`from\`, c.period_to AS \`to\`, c.content, c.words,
       p.name AS closedBy, c.closed_at AS closedAt
     FROM closed_goals c JOIN people p ON p.id = c.closed_by WHERE c.goal_id = :goalId ORDER BY c.period_from DESC`,
    { goalId },
  );
  return rows.map((row) => ({
    ...row,
    from: calendarDay(row.from),
    to: calendarDay(row.to),
    content: typeof row.content === 'string' ? (JSON.parse(row.content) as unknown) : row.content,
  }));
}

export interface NewClosedGoal {
  readonly childId: number;
  readonly goalId: number;
  readonly periodName: string;
  readonly from: CalendarDay;
  readonly to: CalendarDay;
  readonly content: unknown;
  readonly words: string;
  readonly by: number;
  readonly at: Instant;
}

/** Once a goal and period: what is closed stays as it was. */
export async function closeGoalPeriod(work: Work, closed: NewClosedGoal): Promise<void> {
  const { childId, goalId, periodName, from, to, content, words, by, at } = closed;
  await tablesOf(work).insertOrKeep(
    'closed_goals',
    [
      {
        child_id: childId,
        goal_id: goalId,
        period_name: periodName,
        period_from: from,
        period_to: to,
        content: content as object,
        words,
        closed_by: by,
        closed_at: at,
      },
    ],
    ['id'],
  );
}
