import { z } from 'zod';
import { taskSettingsSchema } from '@/core/tasks';
import { inTransaction } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';

const homeSchema = z.object({
  childId: z.number().int().positive(),
  taskSettings: taskSettingsSchema,
  materialsAtHome: z.array(z.string().regex(/^[a-z][a-z0-9-]*$/)).max(200),
});

/** What this home has, and how this child's tasks are done where schools differ. Programs that were sent stay as they are. */
export async function changeHome(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const input = homeSchema.safeParse(raw);
  if (!input.success)
    throw new AppError('invalid', { issues: input.error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })) });
  const { childId, taskSettings, materialsAtHome } = input.data;
  await inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'change');
    await work.update('children', { task_settings: taskSettings, materials_at_home: [...new Set(materialsAtHome)] }, { id: childId });
    await auditPerson(work, actor, context.now(), [childId], 'home.changed');
  });
}
