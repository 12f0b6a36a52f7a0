import { z } from 'zod';
import { deleteView, inTransaction, saveView, keptViewsOf } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';

const MOST_VIEWS = 20;
const keepSchema = z.object({
  name: z.string().trim().min(1, 'viewNameMissing').max(40, 'tooMuch'),
  /** Query string of the caseload's address. */
  address: z
    .string()
    .max(400, 'tooMuch')
    .regex(/^[\w=&%.+*-]*$/),
});

/** Keeps a way of looking at the yard under a name of one's own; the same name again is kept anew. @throws AppError invalid */
export async function saveCaseloadView(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { name, address } = parseInput(keepSchema, raw);
  await inTransaction(context.db, async (work) => {
    const kept = await keptViewsOf(work, actor.personId);
    if (kept.length >= MOST_VIEWS && !kept.some((each) => each.name === name)) throw invalid({ path: 'name', code: 'tooManyViews' });
    await saveView(work, actor.personId, name, address);
  });
}

/** @throws AppError notFound, invalid */
export async function deleteCaseloadView(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { id } = parseInput(z.object({ id: z.coerce.number().int().positive() }), raw);
  await inTransaction(context.db, async (work) => {
    if (!(await deleteView(work, actor.personId, id))) throw new AppError('notFound');
  });
}
