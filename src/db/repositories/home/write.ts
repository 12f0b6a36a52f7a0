import type { Instant } from '@/core/calendar';
import type { HomeAnswers } from '@/core/students';
import { tablesOf, type Work } from '../../work';

export async function addHomeAnswer(work: Work, childId: number, linkId: number, answers: HomeAnswers, toldAt: Instant): Promise<void> {
  await tablesOf(work).insert('home_answers', { child_id: childId, link_id: linkId, answers, told_at: toldAt });
}

/** Settles all that a family told up to one answer. False where somebody was first. */
export async function settleHomeAnswers(work: Work, childId: number, upTo: number, personId: number, at: Instant): Promise<boolean> {
  const open = await tablesOf(work).select<{ id: number }>(
    'SELECT id FROM home_answers WHERE child_id = :childId AND id <= :upTo AND settled_at IS NULL FOR UPDATE',
    { childId, upTo },
  );
  for (const { id } of open) await tablesOf(work).update('home_answers', { settled_by: personId, settled_at: at }, { id });
  return open.some(({ id }) => id === upTo);
}
