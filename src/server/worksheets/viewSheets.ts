import { z } from 'zod';
import { nameOf, type Child } from '@/core/students';
import { contentFor } from '@/core/programs';
import type { TaskContent } from '@/core/tasks';
import type { LocalText } from '@/core/text';
import { childrenOf, currentVersions, inReading, latestTasks, taskRecords, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { parseInput } from '../parseInput';
import { draftNow } from '../programs/changePlanned';

export interface SheetsView {
  /** Tasks whose steps have sheets, by title. */
  readonly tasks: readonly {
    readonly slug: string;
    readonly title: LocalText;
    readonly skill: string;
    readonly sheets: number;
    readonly steps: number;
  }[];
  readonly open: OpenSheet | null;
  readonly children: readonly { readonly childId: number; readonly name: string }[];
}

export interface OpenSheet {
  readonly content: TaskContent;
  readonly step: number;
  readonly child: {
    readonly childId: number;
    readonly name: string;
    readonly calledName: string;
    readonly hand: Child['hand'];
    readonly language: Child['familyLanguage'];
  } | null;
  /** Place where the worksheet may be saved: this student's program draft, the actor's own task, or none. */
  readonly mayPut: 'child' | 'bench' | null;
}

const optionsSchema = z.object({
  task: z.string().max(80).optional(),
  step: z.coerce.number().int().min(1).max(12).optional().catch(undefined),
  child: z.coerce.number().int().positive().optional().catch(undefined),
});

/** The tasks that have sheets, and the one that is open: as a child has it where one is named. @throws AppError notFound */
export async function viewSheets(context: Context, actor: PersonActor, raw: unknown): Promise<SheetsView> {
  const { task: slug, step, child: childId } = parseInput(optionsSchema, raw);
  const view = await inReading(context.db, async (work): Promise<SheetsView> => {
    const library = await latestTasks(work, actor.personId);
    const children = (await childrenOf(work, actor.personId)).map(({ child }) => ({ childId: child.id, name: nameOf(child) }));
    const tasks = library
      .map(({ content }) => ({
        slug: content.slug,
        title: content.title,
        skill: content.skill,
        sheets: content.ladder.steps.filter(({ sheet }) => sheet).length,
        steps: content.ladder.steps.length,
      }))
      .filter(({ sheets }) => sheets > 0)
      .sort((one, other) => one.title.en.localeCompare(other.title.en));
    const sorted = children.sort((one, other) => one.name.localeCompare(other.name));
    if (slug === undefined) return { tasks, open: null, children: sorted };
    const task = library.find(({ content }) => content.slug === slug);
    if (!task) throw new AppError('notFound');
    const isOwn = may(actor, null, 'makeTasks') && (await taskRecords(work, slug))[0]?.ownerId === actor.personId;
    if (childId === undefined)
      return { tasks, open: opened(contentFor(task.content, {}), step, null, isOwn ? 'bench' : null), children: sorted };
    const { child, access } = await requireChild(work, actor, childId, 'readChild');
    const placed = await placedIn(work, context, child, library, task.taskId);
    const content = placed?.content ?? contentFor(task.content, {}, child.taskSettings);
    const whose = { childId, name: nameOf(child), calledName: child.calledName, hand: child.hand, language: child.familyLanguage };
    const mayPut = placed && may(actor, access, 'changeProgram') ? 'child' : null;
    return { tasks, open: opened(content, step ?? placed?.step, whose, mayPut), children: sorted };
  });
  if (childId !== undefined) await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}

function opened(content: TaskContent, step: number | undefined, child: OpenSheet['child'], mayPut: OpenSheet['mayPut']): OpenSheet {
  const requested = step ?? content.ladder.startStep;
  return { content, step: Math.min(requested, content.ladder.steps.length), child, mayPut };
}

/** The task as the program that is being written has it; null where it has not. */
async function placedIn(work: Work, context: Context, child: Child, library: Awaited<ReturnType<typeof latestTasks>>, taskId: number) {
  const draft = await draftNow(work, context, child);
  const versions = new Set(library.filter((each) => each.taskId === taskId).map(({ taskVersionId }) => taskVersionId));
  const current = (await currentVersions(work, [child.id])).get(child.id);
  const given = current?.tasks.find((each) => each.taskId === taskId);
  const planned = draft.tasks.find(({ taskVersionId }) => versions.has(taskVersionId) || taskVersionId === given?.taskVersionId);
  if (!planned) return null;
  const base = library.find((each) => each.taskId === taskId)!.content;
  return { step: planned.step, content: contentFor(base, planned.choices, child.taskSettings), taskVersionId: planned.taskVersionId };
}
