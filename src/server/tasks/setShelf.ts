import { z } from 'zod';
import { inTransaction, setShelf as storeShelf, SHELVES, taskRecords } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { recordAboutPerson } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';

const inputSchema = z.object({ slug: z.string().max(80), shelf: z.enum(SHELVES) });

/**
 * For whom an own task stands in the library: everybody here, its owner alone, or nobody. Programs that were sent keep it.
 * @throws AppError invalid, notFound, notAllowed for a task of somebody else and for stock
 */
export async function setShelf(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'makeTasks');
  const { slug, shelf } = parseInput(inputSchema, raw);
  await inTransaction(context.db, async (work) => {
    const [record] = await taskRecords(work, slug);
    if (!record) throw new AppError('notFound');
    if (record.ownerId !== actor.personId) throw new AppError('notAllowed');
    await storeShelf(work, record.taskId, shelf);
    await recordAboutPerson(work, context.now(), actor.personId, 'task.shelved', { task: slug, for: shelf });
  });
}
