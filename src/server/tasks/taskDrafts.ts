import { z } from 'zod';
import { checkTask } from '@/core/library';
import { plain } from '@/core/text';
import { taskContentSchema, taskDraftSchema, type TaskContent } from '@/core/tasks';
import {
  addTaskVersion,
  deleteTaskDraft,
  inTransaction,
  saveTaskDraft,
  slugsInOtherDrafts,
  taskDrafts,
  taskRecords,
  type TaskRecord,
  type Work,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { recordAboutPerson } from '../audit/trail';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { emptyTask } from './emptyTask';

const slugSchema = z.string().max(80);
const startSchema = z.object({ from: z.string().max(60).nullable(), title: z.string().trim().min(1).max(80) });

/** Lays a new task on the bench: empty, or a copy of another that may then be changed. Gives back its slug. */
export async function startTask(context: Context, actor: PersonActor, raw: unknown): Promise<{ slug: string }> {
  const { from, title } = parseInput(startSchema, raw);
  requireMay(actor, 'makeTasks');
  return inTransaction(context.db, async (work) => {
    const source = from === null ? null : ((await taskRecords(work, from))[0] ?? null);
    if (from !== null && !source) throw new AppError('notFound');
    const slug = await freeSlug(work, actor.personId, title);
    const content = source ? { ...source.content, slug, title: { ...source.content.title, en: title } } : emptyTask(slug, title);
    await saveTaskDraft(work, actor.personId, { slug, content, basedOn: source?.taskVersionId ?? null, savedAt: context.now() });
    await recordAboutPerson(work, context.now(), actor.personId, 'task.started', { task: slug });
    return { slug };
  });
}

const LONGEST_SLUG = 50;

async function freeSlug(work: Work, personId: number, title: string): Promise<string> {
  const base =
    plain(title)
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^[^a-z]+|-+$/g, '')
      .slice(0, LONGEST_SLUG) || 'task';
  const shelved = (await taskRecords(work)).map((task) => task.slug);
  const own = (await taskDrafts(work, personId)).map((draft) => draft.slug);
  const taken = new Set([...shelved, ...own, ...(await slugsInOtherDrafts(work, personId))]);
  let slug = base;
  for (let number = 2; taken.has(slug); number += 1) slug = `${base}-${number}`;
  return slug;
}

/** Keeps what is on the bench. It may have faults, but it must have the form of a task. */
export async function storeDraft(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const content = parseInput(taskDraftSchema, raw);
  requireMay(actor, 'makeTasks');
  await inTransaction(context.db, async (work) => {
    const { slug } = content;
    const record = await ownRecord(work, actor, slug);
    const [before] = await taskDrafts(work, actor.personId, slug);
    if (!record && !before) throw new AppError('notFound');
    await saveTaskDraft(work, actor.personId, {
      slug,
      content,
      basedOn: before ? before.basedOn : record!.taskVersionId,
      savedAt: context.now(),
    });
  });
}

/** Takes what is on the bench away; the version in the library stays. */
export async function deleteDraft(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const slug = parseInput(slugSchema, raw);
  requireMay(actor, 'makeTasks');
  await inTransaction(context.db, async (work) => {
    await deleteTaskDraft(work, actor.personId, slug);
    await recordAboutPerson(work, context.now(), actor.personId, 'task.dropped', { task: slug });
  });
}

/**
 * Puts a sound task into the library as its next version. Programs that were sent keep the version that they were sent.
 * @throws AppError invalid with what is wrong, staleTask where another version came since the work began.
 */
export async function shelveTask(context: Context, actor: PersonActor, raw: unknown): Promise<{ number: number }> {
  const content = parseInput(taskContentSchema, raw);
  requireMay(actor, 'makeTasks');
  const errors = checkTask(content).filter((finding) => finding.severity === 'error');
  if (errors.length) throw new AppError('invalid', { findings: errors });
  return inTransaction(context.db, async (work) => {
    const record = await ownRecord(work, actor, content.slug);
    const [draft] = await taskDrafts(work, actor.personId, content.slug);
    if (!record && !draft) throw new AppError('notFound');
    if (record && draft && draft.basedOn !== record.taskVersionId)
      throw new AppError('staleTask', { expected: draft.basedOn, current: record.taskVersionId });
    await addTaskVersion(work, content, context.now(), {
      ownerId: actor.personId,
      copiedFrom: record ? record.copiedFrom : (draft?.basedOn ?? null),
    });
    await deleteTaskDraft(work, actor.personId, content.slug);
    await recordAboutPerson(work, context.now(), actor.personId, 'task.shelved', { task: content.slug });
    return { number: (record?.number ?? 0) + 1 };
  });
}

/** The task in the library if it is the actor's to change; null where there is none by that slug. */
async function ownRecord(work: Work, actor: PersonActor, slug: TaskContent['slug']): Promise<TaskRecord | null> {
  const [record] = await taskRecords(work, slug);
  if (record && record.ownerId !== actor.personId) throw new AppError('notAllowed');
  return record ?? null;
}
