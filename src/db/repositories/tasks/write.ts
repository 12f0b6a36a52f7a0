import type { Instant } from '@/core/calendar';
import type { TaskContent } from '@/core/tasks';
import { tablesOf, type Work } from '../../work';
import type { Shelf, TaskDraft, TaskVersion } from './read';

export async function saveTaskDraft(work: Work, personId: number, draft: TaskDraft & { readonly content: object }): Promise<void> {
  const { slug, content, basedOn, savedAt } = draft;
  await deleteTaskDraft(work, personId, slug);
  await tablesOf(work).insert('task_drafts', { person_id: personId, slug, content, based_on: basedOn, saved_at: savedAt });
}

export async function deleteTaskDraft(work: Work, personId: number, slug: string): Promise<void> {
  await tablesOf(work).remove('task_drafts', { person_id: personId, slug });
}

export async function setShelf(work: Work, taskId: number, shelf: Shelf): Promise<void> {
  await tablesOf(work).update('tasks', { shelf }, { id: taskId });
}

export interface TaskOrigin {
  readonly ownerId: number;
  readonly copiedFrom: number | null;
}

/** Writes the next version of the task with the content's slug, and the task itself where it is new. */
export async function addTaskVersion(
  work: Work,
  content: TaskContent,
  at: Instant,
  origin: TaskOrigin | null = null,
): Promise<TaskVersion> {
  const tables = tablesOf(work);
  const { slug } = content;
  const [known] = await tables.select<{ id: number; number: number | null }>(
    'SELECT t.id, MAX(v.number) AS number FROM tasks t LEFT JOIN task_versions v ON v.task_id = t.id WHERE t.slug = :slug GROUP BY t.id',
    { slug },
  );
  const taskId =
    known?.id ?? (await tables.insert('tasks', { slug, owner_id: origin?.ownerId ?? null, copied_from: origin?.copiedFrom ?? null }));
  const number = (known?.number ?? 0) + 1;
  const taskVersionId = await tables.insert('task_versions', { task_id: taskId, number, content, created_at: at });
  return { taskId, taskVersionId, content };
}
