import type { BuiltSentence, KeptWords } from '@/core/progress';
import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** A goal's paragraph as somebody edited it. */
export interface GoalWords extends KeptWords {
  readonly by: string;
  readonly at: Instant;
}

export async function goalWordsOf(work: Work, goalId: number, from: CalendarDay): Promise<GoalWords | null> {
  const [row] = await tablesOf(work).select<Omit<GoalWords, 'built'> & { readonly built: unknown }>(
    `SELECT w.words, w.built, p.name AS \`by\`, w.written_at AS at FROM goal_words w JOIN people p ON p.id = w.written_by
     WHERE w.goal_id = :goalId AND w.period_from = :from`,
    { goalId, from },
  );
  return row ? { ...row, built: readBuilt(row.built) } : null;
}

/** Empty words are none. */
export async function writeGoalWords(
  work: Work,
  { goalId, from, words, built, by, at }: { goalId: number; from: CalendarDay; by: number; at: Instant } & KeptWords,
): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('goal_words', { goal_id: goalId, period_from: from });
  if (words !== '') await tables.insert('goal_words', { goal_id: goalId, period_from: from, words, built, written_by: by, written_at: at });
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
  readonly words: KeptWords;
  readonly closedBy: string;
  readonly closedAt: Instant;
}

type Row = Omit<ClosedGoal, 'from' | 'to' | 'words'> & {
  readonly from: string;
  readonly to: string;
  readonly words: string;
  readonly built: unknown;
};

/** The periods of a goal that were closed, latest first. */
export async function closedGoalsOf(work: Work, goalId: number): Promise<ClosedGoal[]> {
  const rows = await tablesOf(work).select<Row>(
    `SELECT c.id, c.child_id AS childId, c.goal_id AS goalId, c.period_name AS periodName, c.period_from AS \`from\`, c.period_to AS \`to\`, c.content, c.words, c.built,
       p.name AS closedBy, c.closed_at AS closedAt
     FROM closed_goals c JOIN people p ON p.id = c.closed_by WHERE c.goal_id = :goalId ORDER BY c.period_from DESC`,
    { goalId },
  );
  return rows.map(({ built, ...row }) => ({
    ...row,
    words: { words: row.words, built: readBuilt(built) },
    from: calendarDay(row.from),
    to: calendarDay(row.to),
    content: parsed(row.content),
  }));
}

export interface NewClosedGoal {
  readonly childId: number;
  readonly goalId: number;
  readonly periodName: string;
  readonly from: CalendarDay;
  readonly to: CalendarDay;
  readonly content: unknown;
  readonly words: KeptWords;
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
        words: words.words,
        built: words.built as BuiltSentence[],
        closed_by: by,
        closed_at: at,
      },
    ],
    ['id'],
  );
}

/** False where there is no such closed period of this child's goal. */
export async function reopenGoalPeriod(
  work: Work,
  { childId, goalId, id }: { readonly childId: number; readonly goalId: number; readonly id: number },
): Promise<boolean> {
  return (await tablesOf(work).remove('closed_goals', { id, child_id: childId, goal_id: goalId })) > 0;
}

/** JSON comes as text or as what it holds, by the server's version. */
const parsed = (json: unknown): unknown => (typeof json === 'string' ? JSON.parse(json) : json);
const readBuilt = (json: unknown) => (parsed(json) ?? []) as BuiltSentence[];

/** A way of wording, kept by a name. */
export interface WordingPattern {
  readonly id: number;
  readonly name: string;
  readonly words: string;
}

export async function wordingPatternsOf(work: Work, personId: number): Promise<WordingPattern[]> {
  return tablesOf(work).select('SELECT id, name, words FROM wording_patterns WHERE person_id = :personId ORDER BY name', { personId });
}

/** The same name again is worded anew. */
export async function saveWordingPattern(work: Work, personId: number, name: string, words: string): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('wording_patterns', { person_id: personId, name });
  await tables.insert('wording_patterns', { person_id: personId, name, words });
}

export async function deleteWordingPattern(work: Work, personId: number, id: number): Promise<boolean> {
  return (await tablesOf(work).remove('wording_patterns', { person_id: personId, id })) > 0;
}
