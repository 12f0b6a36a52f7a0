import { addMessage, inTransaction } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { deliverWaiting } from './deliverWaiting';
import { textWords } from './textWords';

/** Closes one of a family's links for good. */
export async function revokeLink(context: Context, actor: PersonActor, childId: number, linkId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'change');
    const count = await work.update('family_links', { revoked_at: context.now() }, { id: linkId, child_id: childId, revoked_at: null });
    if (count === 0) throw new AppError('notFound');
    await auditPerson(work, actor, context.now(), [childId], 'link.revoked');
  });
}

/** Sends the family a new private link to the program as it stands. */
export async function sendLinkAgain(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'change');
    const words = await textWords(child.familyLanguage, 'program');
    await addMessage(work, { childId, kind: 'program', words, createdBy: actor.personId, createdAt: context.now() });
    await auditPerson(work, actor, context.now(), [childId], 'link.sent');
  });
  await deliverWaiting(context);
}
