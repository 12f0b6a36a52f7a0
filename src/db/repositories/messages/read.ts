import { z } from 'zod';
import type { Instant } from '@/core/calendar';
import type { Reach } from '@/core/students';
import { oneOf, reading } from '../../rows/columns';
import { momentText, tablesOf, type Work } from '../../work';

export const MESSAGE_KINDS = [
  'program',
  'newStep',
  'note',
  'takenBack',
  'several',
  'paused',
  'ended',
  'home',
  'goesOn',
  'answer',
  'reminder',
  'direct',
] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];
export const MESSAGE_STATUSES = ['waiting', 'handedOver', 'withdrawn', 'givenUp'] as const;
export type MessageStatus = (typeof MESSAGE_STATUSES)[number];

export interface MessageRow {
  readonly id: number;
  readonly childId: number;
  readonly kind: MessageKind;
  readonly words: string;
  readonly status: MessageStatus;
  readonly createdAt: Instant;
  readonly handedOverAt: Instant | null;
  /** When it goes out, while it waits for what else is decided; null where it went at once. */
  readonly sendAt: Instant | null;
  /** Null where the program wrote it by itself. */
  readonly createdBy: string | null;
}

export async function messagesOf(work: Work, childIds: readonly number[], most: number): Promise<MessageRow[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Omit<MessageRow, 'kind' | 'status'> & { kind: unknown; status: unknown }>(
    `SELECT m.id, m.child_id AS childId, m.kind, m.words, m.status, m.created_at AS createdAt, m.handed_over_at AS handedOverAt, m.send_at AS sendAt, p.name AS createdBy
     FROM messages m LEFT JOIN people p ON p.id = m.created_by WHERE m.child_id IN (:childIds) ORDER BY m.created_at DESC, m.id DESC LIMIT :most`,
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
  readonly kind: MessageKind;
  readonly words: string;
  readonly status: MessageStatus;
  /** The salt of the link's token; null where no link was set yet. */
  readonly tokenSalt: string | null;
  /** True where the family is to have a new link, not its standing one. */
  readonly newLink: boolean;
  /** Address, where it is not the family's first contact. */
  readonly reach: Reach | null;
}

/** True where a text with the family's private link, of no other content, waits or went out since a moment. */
export async function linkSentSince(work: Work, childId: number, since: Instant): Promise<boolean> {
  const [row] = await tablesOf(work).select<{ id: number }>(
    `SELECT m.id FROM messages m LEFT JOIN message_parts p ON p.message_id = m.id
     WHERE m.child_id = :childId AND m.kind IN ('program', 'home') AND m.status IN ('waiting', 'handedOver') AND p.message_id IS NULL AND m.created_at > :since LIMIT 1`,
    { childId, since: momentText(since) },
  );
  return row !== undefined;
}

/** Locked until the transaction ends. Null where the child, and the message with it, was deleted since. */
export async function messageToSend(work: Work, messageId: number): Promise<MessageToSend | null> {
  const [row] = await tablesOf(work).select<
    Omit<MessageToSend, 'kind' | 'status' | 'newLink' | 'reach'> & { kind: unknown; status: unknown; newLink: number; reach: unknown }
  >(
    `SELECT m.id, m.child_id AS childId, m.kind, m.words, m.status, m.new_link AS newLink, m.reach, l.token_salt AS tokenSalt
     FROM messages m LEFT JOIN family_links l ON l.id = m.link_id WHERE m.id = :messageId FOR UPDATE`,
    { messageId },
  );
  return row
    ? {
        ...row,
        kind: oneOf('kind', MESSAGE_KINDS, row.kind),
        newLink: Boolean(row.newLink),
        reach: row.reach === null ? null : readReach(row.reach),
        status: oneOf('status', MESSAGE_STATUSES, row.status),
      }
    : null;
}

const readReach = reading<Reach>('reach', z.strictObject({ way: z.enum(['text', 'email']), at: z.string() }));

/** True where a reminder went out to a family, or waits, since a moment. */
export async function remindedSince(work: Work, childId: number, since: Instant): Promise<boolean> {
  const rows = await tablesOf(work).select(
    "SELECT 1 FROM messages WHERE child_id = :childId AND kind = 'reminder' AND created_at >= :since LIMIT 1",
    { childId, since: momentText(since) },
  );
  return rows.length > 0;
}

/** Parts of a message: one for each decision, or a program that was sent. */
export const PART_KINDS = ['program', 'newStep', 'word', 'takenBack', 'paused', 'ended', 'goesOn'] as const;
export type PartKind = (typeof PART_KINDS)[number];

/** The child's message that still waits for what else is decided, locked; null where none does. One in a person's own words, or a reminder, takes nothing in. */
export async function heldMessageOf(work: Work, childId: number, now: Instant): Promise<{ readonly id: number } | null> {
  const [row] = await tablesOf(work).select<{ id: number }>(
    `SELECT m.id FROM messages m WHERE m.child_id = :childId AND m.status = 'waiting' AND m.send_at > :now
       AND EXISTS (SELECT 1 FROM message_parts t WHERE t.message_id = m.id) ORDER BY m.id DESC LIMIT 1 FOR UPDATE`,
    { childId, now: momentText(now) },
  );
  return row ?? null;
}

/** The message that tells of a decision, locked; null where none does. */
export async function messageOfDecision(
  work: Work,
  decisionId: number,
): Promise<{ readonly id: number; readonly status: MessageStatus; readonly sendAt: Instant | null } | null> {
  const [row] = await tablesOf(work).select<{ id: number; status: unknown; sendAt: Instant | null }>(
    `SELECT m.id, m.status, m.send_at AS sendAt FROM message_parts t JOIN messages m ON m.id = t.message_id
     WHERE t.decision_id = :decisionId ORDER BY t.id DESC LIMIT 1 FOR UPDATE`,
    { decisionId },
  );
  return row ? { ...row, status: oneOf('status', MESSAGE_STATUSES, row.status) } : null;
}

export async function partsOf(work: Work, messageId: number): Promise<PartKind[]> {
  const rows = await tablesOf(work).select<{ kind: unknown }>(
    'SELECT text_kind AS kind FROM message_parts WHERE message_id = :messageId ORDER BY id',
    {
      messageId,
    },
  );
  return rows.map(({ kind }) => oneOf('text_kind', PART_KINDS, kind));
}
