import { calendarDayInZone } from '@/core/calendar';
import type { Child } from '@/core/students';
import { draftFrom, programDraftSchema, type ProgramDraft, type TaskChoices } from '@/core/programs';
import { currentVersions, draftOf, inTransaction, latestTasks, saveDraft, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';

/** The draft where one was kept, else what was sent, as a draft that goes on from it. */
export async function draftNow(work: Work, context: Context, child: Child): Promise<ProgramDraft> {
  const saved = await draftOf(work, child.id);
  const draft = saved ? programDraftSchema.safeParse(saved.content) : null;
  if (draft?.success) return draft.data;
  const current = (await currentVersions(work, [child.id])).get(child.id) ?? null;
  return draftFrom(current, calendarDayInZone(context.now(), child.timeZone));
}

/** Index of a task in the draft, by its slug, in the library's newest version or the one that was sent; below 0 where it is missing. */
export async function placeInDraft(work: Work, actor: PersonActor, childId: number, draft: ProgramDraft, slug: string): Promise<number> {
  const task = (await latestTasks(work, actor.personId)).find(({ content }) => content.slug === slug);
  if (!task) return -1;
  const given = (await currentVersions(work, [childId])).get(childId)?.tasks.find(({ taskId }) => taskId === task.taskId);
  return draft.tasks.findIndex(({ taskVersionId }) => taskVersionId === task.taskVersionId || taskVersionId === given?.taskVersionId);
}

/**
 * Changes what is chosen of a task in the program that is being written for a child: what was sent stays as it was till the next one goes
 * out.
 * @throws AppError notFound where the program has no such task; notAllowed
 */
export async function changePlanned(
  context: Context,
  actor: PersonActor,
  { childId, slug }: { readonly childId: number; readonly slug: string },
  change: (choices: TaskChoices, work: Work) => TaskChoices | Promise<TaskChoices>,
): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const draft = await draftNow(work, context, child);
    const place = await placeInDraft(work, actor, childId, draft, slug);
    if (place < 0) throw new AppError('notFound');
    const choices = await change(draft.tasks[place]!.choices, work);
    const tasks = draft.tasks.map((planned, index) => (index === place ? { ...planned, choices } : planned));
    const now = context.now();
    await saveDraft(work, childId, { ...draft, tasks }, actor.personId, now);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'draft.saved')]);
  });
}
