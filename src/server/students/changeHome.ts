import { z } from 'zod';
import { taskSettingsSchema } from '@/core/tasks';
import { changeHomeOf, inTransaction } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { parseInput } from '../parseInput';

const homeSchema = z.object({
  childId: z.number().int().positive(),
  taskSettings: taskSettingsSchema,
  materialsAtHome: z.array(z.string().regex(/^[a-z][a-z0-9-]*$/)).max(200),
});

/** Changes the home's things, and how this student's tasks are done where schools differ. Programs that were sent stay as they are. */
export async function changeHome(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, taskSettings, materialsAtHome } = parseInput(homeSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    await changeHomeOf(work, childId, taskSettings, [...new Set(materialsAtHome)]);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'home.changed')]);
  });
}
