import { z } from 'zod';
import { namesChild } from '@/core/students';
import { addJobs, addMessage, inTransaction, remindersOf } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { deliverJob } from '../jobs/jobs';
import { invalid, parseInput } from '../parseInput';
import { quietFor } from './reminders';

/** About three text messages. */
const MOST_LETTERS = 480;

const directSchema = z.object({
  childId: z.coerce.number().int().positive(),
  words: z.string().trim().min(1, 'empty').max(MOST_LETTERS, 'tooLong'),
});

/** Sends a family a text in the therapist's own words, at once or after its quiet hours. Nothing about a child stands in a text: its name is refused where the family has not agreed to it. @throws AppError notFound, notAllowed, invalid */
export async function sendDirect(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, words } = parseInput(directSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const isAgreed = (await remindersOf(work, childId))?.mayName ?? false;
    if (!isAgreed && namesChild(words, child)) throw invalid({ path: 'words', code: 'namesChild' });
    const goesAt = quietFor(child, now);
    const sendAt = goesAt > now ? goesAt : null;
    const message = { childId, kind: 'direct' as const, words, createdBy: actor.personId, createdAt: now, sendAt };
    await addJobs(work, [deliverJob(await addMessage(work, message), now, goesAt)]);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'message.written')]);
  });
}
