import { z } from 'zod';
import type { Instant } from '@/core/calendar';
import { childRecordSchema, type Contact } from '@/core/students';
import { oneOf, reading } from '../../rows/columns';
import { momentText, tablesOf, type Work } from '../../work';

export const TEXT_OUTCOMES = ['taken', 'asked', 'person', 'danger', 'nothing', 'stopped', 'started'] as const;
/** Outcome of an incoming text. */
export type TextOutcome = (typeof TEXT_OUTCOMES)[number];

export interface IncomingRow {
  readonly id: number;
  readonly childId: number | null;
  readonly from: string;
  readonly saidBy: string;
  readonly text: string;
  readonly receivedAt: Instant;
  readonly outcome: TextOutcome;
  readonly settledAt: Instant | null;
}

const COLUMNS =
  'i.id, i.child_id AS childId, i.from_address AS `from`, i.said_by AS saidBy, i.text, i.received_at AS receivedAt, i.outcome, i.settled_at AS settledAt';

function toRow(row: Omit<IncomingRow, 'outcome'> & { outcome: unknown }): IncomingRow {
  return { ...row, outcome: oneOf('outcome', TEXT_OUTCOMES, row.outcome) };
}

/** The texts of these children's families, latest first. */
export async function incomingTexts(work: Work, childIds: readonly number[], most: number): Promise<IncomingRow[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Omit<IncomingRow, 'outcome'> & { outcome: unknown }>(
    `SELECT ${COLUMNS} FROM incoming_texts i WHERE i.child_id IN (:childIds) ORDER BY i.id DESC LIMIT ${most}`,
    { childIds },
  );
  return rows.map(toRow);
}

/** Texts of numbers that belong to no child: for who supervise. */
export async function textsOfNobody(work: Work, most: number): Promise<IncomingRow[]> {
  const rows = await tablesOf(work).select<Omit<IncomingRow, 'outcome'> & { outcome: unknown }>(
    `SELECT ${COLUMNS} FROM incoming_texts i WHERE i.child_id IS NULL AND i.settled_at IS NULL ORDER BY i.id DESC LIMIT ${most}`,
  );
  return rows.map(toRow);
}

/** Waiting for a person: what nobody could read, and what was asked back and had no answer by then. */
export const FOR_A_PERSON =
  "(outcome IN ('person', 'stopped') OR (outcome = 'asked' AND ask_settled_at IS NULL AND received_at < :askedBefore))";

/** Those that a person has to read and nobody has, oldest first. @param askedBefore what was asked back before it and not answered is a person's now */
export async function textsForAPerson(
  work: Work,
  childIds: readonly number[],
  askedBefore: Instant,
): Promise<readonly { readonly childId: number; readonly textId: number }[]> {
  if (childIds.length === 0) return [];
  return tablesOf(work).select(
    `SELECT child_id AS childId, id AS textId FROM incoming_texts
     WHERE child_id IN (:childIds) AND ${FOR_A_PERSON} AND settled_at IS NULL ORDER BY id`,
    { childIds, askedBefore: momentText(askedBefore) },
  );
}

/** Their words, by number. */
export async function textsById(work: Work, ids: readonly number[]): Promise<Map<number, IncomingRow>> {
  if (ids.length === 0) return new Map();
  const rows = await tablesOf(work).select<Omit<IncomingRow, 'outcome'> & { outcome: unknown }>(
    `SELECT ${COLUMNS} FROM incoming_texts i WHERE i.id IN (:ids)`,
    { ids },
  );
  return new Map(rows.map((row) => [row.id, toRow(row)]));
}

const readContacts = reading<readonly Contact[]>('contacts', childRecordSchema.shape.contacts);
const readAsk = reading<object>('ask', z.record(z.string(), z.unknown()));

/** Returns the open question to a number about a student since a moment, locked; null where there is none. */
export async function openAskOf(
  work: Work,
  childId: number,
  from: string,
  since: Instant,
): Promise<{ readonly textId: number; readonly text: string; readonly ask: object } | null> {
  const [row] = await tablesOf(work).select<{ textId: number; text: string; ask: unknown }>(
    `SELECT id AS textId, text, ask FROM incoming_texts
     WHERE child_id = :childId AND from_address = :from AND received_at >= :since AND ask IS NOT NULL AND ask_settled_at IS NULL
     ORDER BY id DESC LIMIT 1 FOR UPDATE`,
    { childId, from, since: momentText(since) },
  );
  return row ? { textId: row.textId, text: row.text, ask: readAsk(row.ask) } : null;
}

/** True where the very same words came from a number since a moment, under another key. */
export async function cameLately(work: Work, from: string, text: string, since: Instant, exceptId: number): Promise<boolean> {
  const rows = await tablesOf(work).select(
    'SELECT 1 FROM incoming_texts WHERE from_address = :from AND received_at >= :since AND text = :text AND id < :exceptId LIMIT 1',
    { from, since: momentText(since), text, exceptId },
  );
  return rows.length > 0;
}

/** Since when a number wants no more messages; null where it does. */
export async function stoppedAt(work: Work, number: string): Promise<Instant | null> {
  const [row] = await tablesOf(work).select<{ at: Instant }>('SELECT stopped_at AS at FROM stopped_numbers WHERE number = :number', {
    number,
  });
  return row?.at ?? null;
}

/** A child of a family, as a text from it asks: who is on a caseload, with the contacts that may have written. */
export async function childrenWithContacts(
  work: Work,
): Promise<readonly { readonly childId: number; readonly contacts: readonly Contact[] }[]> {
  const rows = await tablesOf(work).select<{ childId: number; contacts: unknown }>(
    'SELECT id AS childId, contacts FROM children WHERE left_on IS NULL',
  );
  return rows.map(({ childId, contacts }) => ({ childId, contacts: readContacts(contacts) }));
}
