import { programDraftSchema } from '@/core/programs';
import { inTransaction, saveDraft as storeDraft } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { parseInput } from '../parseInput';

/** Keeps what is being worked on; it may have faults, but it must have the form of a draft. @throws AppError invalid by place */
export async function saveDraft(context: Context, actor: PersonActor, childId: number, raw: unknown): Promise<void> {
  const draft = parseInput(programDraftSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    await storeDraft(work, childId, draft, actor.personId, now);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'draft.saved')]);
  });
}
