import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** A text that came in and that a person has to look at. */
export interface NewIncomingText {
  /** The service's own key of it: the same text twice is one. */
  readonly serviceKey: string;
  readonly childId: number | null;
  readonly fromAddress: string;
  readonly text: string;
  readonly receivedAt: Instant;
  /** What was not understood, by field. */
  readonly issues: readonly object[];
}

/** Keeps an incoming text; one that is known already stands as it first came. Gives back its id. */
export async function keepIncomingText(work: Work, incoming: NewIncomingText): Promise<number> {
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
      },
    ],
    ['id'],
  );
  return row!.id;
}

/** Marks a child's text as settled by a person. False where it is none of the child's, or was settled before. */
export async function settleIncomingText(work: Work, childId: number, textId: number, personId: number, at: Instant): Promise<boolean> {
  return (
    (await tablesOf(work).update(
      'incoming_texts',
      { settled_by: personId, settled_at: at },
      { id: textId, child_id: childId, settled_at: null },
    )) > 0
  );
}
