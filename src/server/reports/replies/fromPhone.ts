import { createHash, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { instant } from '@/core/calendar';
import { addJobs, inTransaction } from '@/db';
import { requireChild, requireMay } from '../../access';
import type { PersonActor } from '../../actor';
import type { Context } from '../../context';
import { AppError } from '../../errors';
import { incomingJob } from '../../jobs/jobs';
import { parseInput } from '../../parseInput';
import { addressOf, type PhoneOnShow } from '../../ports';

const MOST_LETTERS = 600;
/** In disorder a text is on its way for up to so long. */
const DISORDER_SECONDS = 20;

const textSchema = z.object({
  childId: z.coerce.number().int().positive(),
  text: z.string().trim().min(1, 'empty').max(MOST_LETTERS, 'tooLong'),
});

/** Writes on the pretend phone as the family would. The pretend network brings it: late, twice or in another order, as it is set. @throws AppError notFound, invalid */
export async function textFromPhone(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, text } = parseInput(textSchema, raw);
  const { delaySeconds, twice, disorder } = await phoneOf(context).network();
  await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const now = context.now();
    const serviceKey = `pretend-${randomUUID()}`;
    const from = child.contacts.find(({ way, reach }) => way === 'text' && reach !== '')?.reach ?? addressOf(childId);
    const wait = (delaySeconds + (disorder ? secondsOf(serviceKey) : 0)) * 1000;
    const copies = twice ? [0, 1] : [0];
    await addJobs(
      work,
      copies.map((copy) => incomingJob({ serviceKey, from, text }, copy, now, instant(now + wait + copy * 1000))),
    );
  });
}

const networkSchema = z.object({
  fails: z.coerce.number().int().min(0).max(50),
  delaySeconds: z.coerce.number().int().min(0).max(3600),
  twice: z.preprocess((value) => value === 'on', z.boolean()),
  disorder: z.preprocess((value) => value === 'on', z.boolean()),
});

/** How bad the pretend network is from now on. @throws AppError notAllowed, notFound where real phones are reached, invalid */
export async function setNetwork(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  await phoneOf(context).setNetwork(parseInput(networkSchema, raw));
}

function phoneOf({ phone }: Context): PhoneOnShow {
  if (!phone) throw new AppError('notFound');
  return phone;
}

/** Seemingly by chance, the same for the same key. */
function secondsOf(key: string): number {
  return createHash('sha256').update(key).digest()[0]! % DISORDER_SECONDS;
}
