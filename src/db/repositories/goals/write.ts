import type { CalendarDay, Instant } from '@/core/calendar';
import type { GoalContent } from '@/core/goals';
import { tablesOf, type Work } from '../../work';

interface Writing {
  readonly content: GoalContent;
  /** Why it was changed; empty for the first version. */
  readonly why: string;
  readonly writtenBy: number;
  readonly writtenAt: Instant;
}

const row = ({ content, why, writtenBy, writtenAt }: Writing) => ({ content, why, written_by: writtenBy, written_at: writtenAt });

export async function addGoal(work: Work, childId: number, writing: Writing): Promise<number> {
  const goalId = await tablesOf(work).insert('goals', { child_id: childId });
  await tablesOf(work).insert('goal_versions', { goal_id: goalId, number: 1, ...row(writing) });
  return goalId;
}

/** The next version; what was written before stays. A version that stands already stops it by its key. */
export async function addGoalVersion(work: Work, goalId: number, number: number, writing: Writing): Promise<void> {
  await tablesOf(work).insert('goal_versions', { goal_id: goalId, number, ...row(writing) });
  await tablesOf(work).update('goals', { current_version: number }, { id: goalId });
}

/** Nothing is asked for it any more; with null it is open again. */
export async function closeGoal(work: Work, goalId: number, closedOn: CalendarDay | null, why: string): Promise<void> {
  await tablesOf(work).update('goals', { closed_on: closedOn, closed_why: why }, { id: goalId });
}
