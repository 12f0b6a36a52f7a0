import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface NewNote {
  readonly childId: number;
  readonly taskId: number | null;
  readonly words: string;
  readonly decisionId: number;
  readonly writtenBy: number;
  readonly writtenAt: Instant;
}

export async function addNote(work: Work, note: NewNote): Promise<void> {
  await tablesOf(work).insert('family_notes', {
    child_id: note.childId,
    task_id: note.taskId,
    words: note.words,
    decision_id: note.decisionId,
    written_by: note.writtenBy,
    written_at: note.writtenAt,
  });
}

/** Takes away from the family's page what a decision that was taken back had written. */
export async function deleteNotesOfDecision(work: Work, childId: number, decisionId: number): Promise<void> {
  await tablesOf(work).remove('family_notes', { child_id: childId, decision_id: decisionId });
}
