import { inTransaction, saveIncomingText, settleIncomingText } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';

/** A text that a service brings in, with what of it was not understood. */
export interface IncomingText {
  readonly serviceKey: string;
  readonly childId: number | null;
  readonly from: string;
  readonly text: string;
  readonly issues: readonly { readonly code: string; readonly given: string }[];
}

/** Keeps a text that needs a person. The same text twice, by the service's key, is one. Gives back its number. */
export async function keepIncoming(context: Context, { serviceKey, childId, from, text, issues }: IncomingText): Promise<number> {
  return inTransaction(context.db, (work) =>
    saveIncomingText(work, { serviceKey, childId, fromAddress: from, text, receivedAt: context.now(), issues }),
  );
}

/** Marks a text as looked at and settled. @throws AppError notFound where it is none of the child's, or settled before */
export async function settleIncoming(context: Context, actor: PersonActor, childId: number, textId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'settleDecision');
    if (!(await settleIncomingText(work, childId, textId, actor.personId, now))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'text.settled')]);
  });
}
