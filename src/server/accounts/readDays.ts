import { z } from 'zod';
import { changeReadDays, inTransaction } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { parseInput } from '../parseInput';

const daysSchema = z.object({ days: z.array(z.coerce.number().int().min(1).max(7)).max(7) });

/** On which weekdays the actor reads what families send: their families' pages say so. None: nothing is promised. @throws AppError invalid */
export async function setReadDays(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { days } = parseInput(daysSchema, { days: raw });
  const inOrder = [...new Set(days)].sort((a, b) => a - b);
  await inTransaction(context.db, async (work) => {
    await changeReadDays(work, actor.personId, inOrder);
    await recordChanges(work, context.now(), [
      entryOf(actor, context.now(), [], 'settings.changed', { setting: 'readDays', to: inOrder.join(', ') || '–' }),
    ]);
  });
}
