import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface IncomingText {
  readonly id: number;
  readonly childId: number;
  readonly text: string;
  readonly receivedAt: Instant;
}

/** Texts of these children that wait for a person, oldest first. */
export async function waitingTexts(work: Work, childIds: readonly number[]): Promise<IncomingText[]> {
  if (childIds.length === 0) return [];
  return tablesOf(work).select<IncomingText>(
    'SELECT id, child_id AS childId, text, received_at AS receivedAt FROM incoming_texts WHERE child_id IN (:childIds) AND settled_at IS NULL ORDER BY id',
    { childIds },
  );
}
