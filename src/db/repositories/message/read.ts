import type { Instant } from '@/core/calendar';
import { oneOf } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

export const MESSAGE_KINDS = ['program', 'newStep', 'note'] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];
export const MESSAGE_STATUSES = ['waiting', 'handedOver', 'withdrawn', 'givenUp'] as const;
export type MessageStatus = (typeof MESSAGE_STATUSES)[number];

export interface PostMessage {
  readonly id: number;
  readonly childId: number;
  readonly kind: MessageKind;
  readonly words: string;
  readonly status: MessageStatus;
  readonly createdAt: Instant;
  readonly handedOverAt: Instant | null;
  readonly createdBy: string;
}

export async function messagesOf(work: Work, childIds: readonly number[], most: number): Promise<PostMessage[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Omit<PostMessage, 'kind' | 'status'> & { kind: unknown; status: unknown }>(
    `SELECT m.id, m.child_id AS childId, m.kind, m.words, m.status, m.created_at AS createdAt, m.handed_over_at AS handedOverAt, p.name AS createdBy
     FROM messages m JOIN people p ON p.id = m.created_by WHERE m.child_id IN (:childIds) ORDER BY m.created_at DESC, m.id DESC LIMIT :most`,
    { childIds, most },
  );
  return rows.map((row) => ({
    ...row,
    kind: oneOf('kind', MESSAGE_KINDS, row.kind),
    status: oneOf('status', MESSAGE_STATUSES, row.status),
  }));
}

/** A message as the runner hands it over, with the link that its words may hold. */
export interface MessageToSend {
  readonly id: number;
  readonly childId: number;
  readonly words: string;
  readonly status: MessageStatus;
  /** The salt of the link's token; null where no link was made yet. */
  readonly tokenSalt: string | null;
}

/** Locked until the transaction ends. Null where the child, and the message with it, was deleted since. */
export async function messageToSend(work: Work, messageId: number): Promise<MessageToSend | null> {
  const [row] = await tablesOf(work).select<Omit<MessageToSend, 'status'> & { status: unknown }>(
    `SELECT m.id, m.child_id AS childId, m.words, m.status, l.token_salt AS tokenSalt
     FROM messages m LEFT JOIN family_links l ON l.id = m.link_id WHERE m.id = :messageId FOR UPDATE`,
    { messageId },
  );
  return row ? { ...row, status: oneOf('status', MESSAGE_STATUSES, row.status) } : null;
}
