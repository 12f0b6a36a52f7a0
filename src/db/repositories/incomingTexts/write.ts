import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';
import { FOR_A_PERSON, type TextOutcome } from './read';

/** A text that came in and that a person has to look at. */
export interface NewIncomingText {
  /** The service's own key of it: the same text twice is one. */
  readonly serviceKey: string;
  readonly childId: number | null;
  readonly fromAddress: string;
  readonly text: string;
  readonly receivedAt: Instant;
  /** Parts that were not understood, by field. */
  readonly issues: readonly object[];
  /** Sender, by the name of the contact. */
  readonly saidBy?: string;
}

async function saveIncomingText(work: Work, incoming: NewIncomingText): Promise<number> {
  const [row] = await tablesOf(work).insertOrKeep<{ id: number }>(
    'incoming_texts',
    [
      {
        service_key: incoming.serviceKey,
        child_id: incoming.childId,
        from_address: incoming.fromAddress,
        text: incoming.text,
        received_at: incoming.receivedAt,
        issues: incoming.issues,
        said_by: incoming.saidBy ?? '',
      },
    ],
    ['id'],
  );
  return row!.id;
}

/** A text that is new here; null where its key is known. Its outcome is written once it was read. */
export async function addIncomingText(work: Work, incoming: NewIncomingText): Promise<number | null> {
  const known = await tablesOf(work).select('SELECT 1 FROM incoming_texts WHERE service_key = :key FOR UPDATE', {
    key: incoming.serviceKey,
  });
  return known.length > 0 ? null : saveIncomingText(work, incoming);
}

export async function setOutcome(work: Work, textId: number, outcome: TextOutcome, ask: object | null): Promise<void> {
  await tablesOf(work).update('incoming_texts', { outcome, ...(ask && { ask }) }, { id: textId });
}

export async function settleAsk(work: Work, textId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('incoming_texts', { ask_settled_at: at }, { id: textId });
}

/** No more messages to a number, or messages again. */
export async function stopNumber(work: Work, number: string, at: Instant): Promise<void> {
  await tablesOf(work).remove('stopped_numbers', { number });
  await tablesOf(work).insertAll('stopped_numbers', [{ number, stopped_at: at }]);
}

export async function startNumber(work: Work, number: string): Promise<boolean> {
  return (await tablesOf(work).remove('stopped_numbers', { number })) > 0;
}

/** Marks every text of a child that a person has to read as read, but those after one. */
export async function settleTextsUpTo(work: Work, childId: number, textId: number, personId: number, at: Instant): Promise<void> {
  const open = await tablesOf(work).select<{ id: number }>(
    `SELECT id FROM incoming_texts WHERE child_id = :childId AND id <= :textId AND ${FOR_A_PERSON} AND settled_at IS NULL`,
    { childId, textId, askedBefore: momentText(at) },
  );
  for (const { id } of open)
    await tablesOf(work).update('incoming_texts', { settled_by: personId, settled_at: at }, { id, settled_at: null });
}

/** Marks the texts of a decision that was taken back as unread. */
export async function unsettleTexts(work: Work, childId: number, personId: number, at: Instant): Promise<void> {
  await tablesOf(work).update(
    'incoming_texts',
    { settled_by: null, settled_at: null },
    { child_id: childId, settled_by: personId, settled_at: at },
  );
}
