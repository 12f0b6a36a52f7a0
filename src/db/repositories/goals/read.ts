import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import { goalSchema, type GoalContent } from '@/core/goals';
import { reading } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

export interface Goal {
  readonly id: number;
  readonly version: number;
  readonly content: GoalContent;
  readonly closedOn: CalendarDay | null;
  readonly closedWhy: string;
}

const readGoal = reading<GoalContent>('content', goalSchema);

type GoalRow = Omit<Goal, 'content' | 'closedOn'> & { readonly content: unknown; readonly closedOn: string | null };
const toGoal = (row: GoalRow): Goal => ({
  ...row,
  content: readGoal(row.content),
  closedOn: row.closedOn === null ? null : calendarDay(row.closedOn),
});

/** A child's goals, each as its newest version says it: the open ones first, then the closed. */
export async function goalsOf(work: Work, childId: number): Promise<Goal[]> {
  const rows = await tablesOf(work).select<GoalRow>(
    `SELECT g.id, g.current_version AS version, v.content, g.closed_on AS closedOn, g.closed_why AS closedWhy
     FROM goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version
     WHERE g.child_id = :childId ORDER BY g.closed_on IS NOT NULL, g.id`,
    { childId },
  );
  return rows.map(toGoal);
}

export interface GoalOfChild extends Goal {
  readonly childId: number;
}

/** The open goals of these children, each as its newest version says it. */
export async function openGoalsOf(work: Work, childIds: readonly number[]): Promise<GoalOfChild[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<GoalRow & { readonly childId: number }>(
    `SELECT g.id, g.child_id AS childId, g.current_version AS version, v.content, g.closed_on AS closedOn, g.closed_why AS closedWhy
     FROM goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version
     WHERE g.child_id IN (:childIds) AND g.closed_on IS NULL ORDER BY g.id`,
    { childIds },
  );
  return rows.map((row) => ({ ...toGoal(row), childId: row.childId }));
}

/** Returns each student's first review date of an open goal. */
export async function nextReviews(work: Work, childIds: readonly number[]): Promise<Map<number, CalendarDay>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<{ childId: number; reviewOn: string }>(
    `SELECT g.child_id AS childId, MIN(JSON_VALUE(v.content, '$.reviewOn')) AS reviewOn
     FROM goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version
     WHERE g.child_id IN (:childIds) AND g.closed_on IS NULL GROUP BY g.child_id`,
    { childIds },
  );
  return new Map(rows.map(({ childId, reviewOn }) => [childId, calendarDay(reviewOn)]));
}

export interface GoalVersion {
  readonly number: number;
  readonly content: GoalContent;
  readonly why: string;
  /** Null for what was written before versions were kept. */
  readonly who: string | null;
  readonly writtenAt: Instant;
}

/** Every version of a child's goal, latest first; empty where it is none of the child's. */
export async function goalHistoryOf(work: Work, childId: number, goalId: number): Promise<GoalVersion[]> {
  const rows = await tablesOf(work).select<Omit<GoalVersion, 'content'> & { content: unknown }>(
    `SELECT v.number, v.content, v.why, p.name AS who, v.written_at AS writtenAt
     FROM goals g JOIN goal_versions v ON v.goal_id = g.id LEFT JOIN people p ON p.id = v.written_by
     WHERE g.child_id = :childId AND g.id = :goalId ORDER BY v.number DESC`,
    { childId, goalId },
  );
  return rows.map((row) => ({ ...row, content: readGoal(row.content) }));
}
