import type { Instant } from '@/core/calendar';
import type { Work } from '../work';

export interface PostMessage {
  readonly id: number;
  readonly childId: number;
  readonly kind: 'program' | 'newStep' | 'note';
  readonly words: string;
  readonly status: 'waiting' | 'handedOver' | 'withdrawn';
  readonly createdAt: Instant;
  readonly handedOverAt: Instant | null;
  readonly createdBy: string;
}

export async function messagesOf(work: Work, childIds: readonly number[], most: number): Promise<PostMessage[]> {
  if (childIds.length === 0) return [];
  return work.select<PostMessage>(
    `SELECT m.id, m.child_id AS childId, m.kind, m.words, m.status, m.created_at AS createdAt, m.handed_over_at AS handedOverAt, p.name AS createdBy
     FROM messages m JOIN people p ON p.id = m.created_by WHERE m.child_id IN (:childIds) ORDER BY m.created_at DESC, m.id DESC LIMIT :most`,
    { childIds, most },
  );
}

export interface WaitingMessage {
  readonly id: number;
  readonly childId: number;
  readonly words: string;
  readonly linkId: number | null;
}

/** The next message that nobody is handing over just now; locked until the transaction ends. */
export async function claimWaiting(work: Work): Promise<WaitingMessage | null> {
  const [row] = await work.select<WaitingMessage>(
    `SELECT m.id, m.child_id AS childId, m.words, m.link_id AS linkId FROM messages m WHERE m.status = 'waiting' ORDER BY m.id LIMIT 1 FOR UPDATE SKIP LOCKED`,
  );
  return row ?? null;
}

export async function addMessage(
  work: Work,
  message: { childId: number; kind: PostMessage['kind']; words: string; createdBy: number; createdAt: Instant },
): Promise<number> {
  return work.insert('messages', {
    child_id: message.childId,
    kind: message.kind,
    words: message.words,
    status: 'waiting',
    created_by: message.createdBy,
    created_at: message.createdAt,
  });
}
