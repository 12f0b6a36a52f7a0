import { inTransaction, revokeLinkOf } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, noteChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { putInPost } from './putInPost';
import { textWords } from './textWords';

/** Closes one of a family's links for good. @throws AppError notFound, notAllowed */
export async function revokeLink(context: Context, actor: PersonActor, childId: number, linkId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    if (!(await revokeLinkOf(work, childId, linkId, now))) throw new AppError('notFound');
    await noteChanges(work, now, [entryOf(actor, now, [childId], 'link.revoked')]);
  });
}

/** Sends the family a new private link to the program as it stands. */
export async function sendLinkAgain(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const words = await textWords(child.familyLanguage, 'program');
    await putInPost(work, { childId, kind: 'program', words, createdBy: actor.personId, createdAt: now });
    await noteChanges(work, now, [entryOf(actor, now, [childId], 'link.sent')]);
  });
}
