import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { nameOf, type Child } from '@/core/students';
import { contentFor } from '@/core/programs';
import type { TaskContent } from '@/core/tasks';
import type { LocalText } from '@/core/text';
import { childrenOf, inReading, latestTasks, sentBackClips, shownClips, workplaceOf, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { parseInput } from '../parseInput';
import { bareClip, type BareClip } from './bareClip';
import { draftNow, placeInDraft } from '../programs/changePlanned';

export interface ClipsView {
  readonly clips: readonly ClipRow[];
  readonly open: OpenTask | null;
  readonly children: readonly { readonly childId: number; readonly name: string }[];
  readonly tasks: readonly { readonly slug: string; readonly title: LocalText }[];
  readonly mayMake: boolean;
}

export interface ClipRow extends BareClip {
  readonly title: LocalText;
  readonly stepName: LocalText | null;
  readonly childName: string | null;
  /** True where the viewer may remove it. */
  readonly mayRemove: boolean;
}

/** The task that is filmed for: a child's, as its program has it, or the library's. */
export interface OpenTask {
  readonly content: TaskContent;
  readonly step: number;
  readonly child: {
    readonly childId: number;
    readonly name: string;
    readonly hand: Child['hand'];
    readonly language: Child['familyLanguage'];
  } | null;
  /** Videos attached in the program draft; null where it has no such task. */
  readonly placed: { readonly clips: readonly number[]; readonly asksBack: boolean } | null;
}

const optionsSchema = z.object({
  task: z.string().max(80).optional(),
  step: z.coerce.number().int().min(1).max(12).optional().catch(undefined),
  child: z.coerce.number().int().positive().optional().catch(undefined),
});

/** Lists videos, and the task to film for. For a student, the family's videos, too. @throws AppError notFound, notAllowed */
export async function viewClips(context: Context, actor: PersonActor, raw: unknown): Promise<ClipsView> {
  const { task: slug, step, child: childId } = parseInput(optionsSchema, raw);
  const view = await inReading(context.db, async (work): Promise<ClipsView> => {
    const library = await latestTasks(work, actor.personId);
    const own = await childrenOf(work, actor.personId);
    const { timeZone } = await workplaceOf(work);
    const today = calendarDayInZone(context.now(), timeZone);
    const asked = childId === undefined ? null : await requireChild(work, actor, childId, 'readChild');
    const childIds = asked ? [asked.child.id] : own.map(({ child }) => child.id);
    const accessOf = new Map(own.map(({ child, access }) => [child.id, access]));
    const names = new Map(own.map(({ child }) => [child.id, nameOf(child)]));
    const all = [...(await shownClips(work, childIds, today)), ...(await sentBackClips(work, childIds, today))];
    const task = slug === undefined ? null : library.find(({ content }) => content.slug === slug);
    if (task === undefined) throw new AppError('notFound');
    const clips = all
      .filter(({ taskId }) => !task || taskId === task.taskId)
      .map((clip): ClipRow => {
        const content = library.find(({ taskId }) => taskId === clip.taskId)?.content;
        const access = clip.childId === null ? null : (accessOf.get(clip.childId) ?? null);
        return {
          ...bareClip(clip),
          title: content?.title ?? { en: 'a task that is no longer in the library' },
          stepName: content?.ladder.steps[clip.step - 1]?.name ?? null,
          childName: clip.childId === null ? null : (names.get(clip.childId) ?? null),
          mayRemove:
            clip.childId === null
              ? clip.madeBy === actor.personId || actor.role === 'supervisor'
              : access !== null && may(actor, access, 'changeProgram'),
        };
      })
      .toReversed();
    const open = task ? await openedFor(work, context, actor, { content: task.content, child: asked?.child ?? null, step }) : null;
    return {
      clips,
      open,
      children: own
        .map(({ child }) => ({ childId: child.id, name: nameOf(child) }))
        .sort((one, other) => one.name.localeCompare(other.name)),
      tasks: library
        .map(({ content }) => ({ slug: content.slug, title: content.title }))
        .sort((a, b) => a.title.en.localeCompare(b.title.en)),
      mayMake: asked ? may(actor, asked.access, 'changeProgram') : may(actor, null, 'makeTasks'),
    };
  });
  if (childId !== undefined) await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}

interface Opening {
  readonly content: TaskContent;
  readonly child: Child | null;
  readonly step: number | undefined;
}

/** The task as a child's program that is being written has it, or as the library has it. */
async function openedFor(work: Work, context: Context, actor: PersonActor, { content, child, step }: Opening): Promise<OpenTask> {
  const stepAt = (requested: number) => Math.min(requested, content.ladder.steps.length);
  if (!child) return { content: contentFor(content, {}), step: stepAt(step ?? content.ladder.startStep), child: null, placed: null };
  const draft = await draftNow(work, context, child);
  const planned = draft.tasks[await placeInDraft(work, actor, child.id, draft, content.slug)];
  return {
    content: contentFor(content, planned?.choices ?? {}, child.taskSettings),
    step: stepAt(step ?? planned?.step ?? content.ladder.startStep),
    child: { childId: child.id, name: nameOf(child), hand: child.hand, language: child.familyLanguage },
    placed: planned ? { clips: planned.choices.clips ?? [], asksBack: planned.choices.asksBack ?? false } : null,
  };
}
