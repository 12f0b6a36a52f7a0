import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** A note of the therapist, as it is shown on the family's page. */
export interface FamilyNote {
  readonly id: number;
  readonly taskId: number | null;
  readonly words: string;
  readonly writtenByName: string;
  readonly writtenAt: Instant;
}

/** The newest notes to a family, latest first. */
export async function notesOf(work: Work, childId: number, most: number): Promise<FamilyNote[]> {
  return tablesOf(work).select(
    `SELECT n.id, n.task_id AS taskId, n.words, p.name AS writtenByName, n.written_at AS writtenAt
     FROM family_notes n JOIN people p ON p.id = n.written_by WHERE n.child_id = :childId ORDER BY n.id DESC LIMIT :most`,
    { childId, most },
  );
}
