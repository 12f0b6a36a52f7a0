import { instant } from '@/core/calendar';
import type { Child } from '@/core/students';
import { inTransaction, linkSentSince, lockChild, revokeLinkOf, revokeLinksOf, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { postLinkNow } from './enqueueMessage';

/** Closes one of a family's links for good. @throws AppError notFound, notAllowed */
export async function revokeLink(context: Context, actor: PersonActor, childId: number, linkId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    if (!(await revokeLinkOf(work, childId, linkId, now))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'link.revoked')]);
  });
}

/** Sends the family its private link again: the standing one, which holds on from now. Pressed again within minutes it is one text. */
export async function sendLinkAgain(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await sendLink(context, actor, childId, false);
}

/** Closes every link of the family and sends it a new one: for a phone that was lost, or words that went astray. */
export async function sendNewLink(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await sendLink(context, actor, childId, true);
}

async function sendLink(context: Context, actor: PersonActor, childId: number, isNew: boolean): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    await sendLinkOf(work, context, actor, child, isNew);
  });
}

/** A link asked for again within this time is not sent twice. Our own choice. */
const REPEATED_MILLISECONDS = 600_000;

/** Within the caller's transaction, which has asked whether the actor may. */
export async function sendLinkOf(work: Work, context: Context, actor: PersonActor, child: Child, isNew: boolean): Promise<void> {
  const now = context.now();
  await lockChild(work, child.id);
  const isRepeated = !isNew && (await linkSentSince(work, child.id, instant(now - REPEATED_MILLISECONDS)));
  if (isRepeated) return;
  if (isNew) await revokeLinksOf(work, child.id, now);
  await postLinkNow(work, context, actor, child, isNew);
  await recordChanges(work, now, [entryOf(actor, now, [child.id], 'link.sent')]);
}
