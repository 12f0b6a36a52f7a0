import { addJobs, inTransaction, markWaitingAgain, reopenJob } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { deliverJob, deliverKey } from '../jobs/jobs';

/** Lets a message that was given up be handed over once more, from the first try on. @throws AppError notFound, notAllowed */
export async function tryMessageAgain(context: Context, actor: PersonActor, childId: number, messageId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    if (!(await markWaitingAgain(work, childId, messageId))) throw new AppError('notFound');
    // A message that was brought in from elsewhere came without its job.
    if (!(await reopenJob(work, deliverKey(messageId), now))) await addJobs(work, [deliverJob(messageId, now)]);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'message.triedAgain')]);
  });
}
