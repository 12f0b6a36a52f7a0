import type { Instant } from '@/core/calendar';
import { taskContentSchema, type TaskContent } from '@/core/tasks';
import type { Work } from '../work';

export interface TaskVersion {
  readonly taskId: number;
  readonly taskVersionId: number;
  readonly content: TaskContent;
}

/**
 * Contents by task version id. Versions never change, so each is read once; what an older version of the program wrote gets
 * the defaults of what came since.
 */
export async function taskContents(work: Work, taskVersionIds: readonly number[]): Promise<Map<number, TaskContent>> {
  const missing = [...new Set(taskVersionIds)].filter((id) => !work.unchanging.has(`task:${id}`));
  if (missing.length) {
    const rows = await work.select<{ id: number; content: TaskContent }>('SELECT id, content FROM task_versions WHERE id IN (:missing)', {
      missing,
    });
    for (const row of rows) work.unchanging.set(`task:${row.id}`, taskContentSchema.parse(row.content));
  }
  return new Map(taskVersionIds.map((id) => [id, work.unchanging.get(`task:${id}`) as TaskContent]));
}

/** The newest version of each task in the library. */
export async function latestTasks(work: Work): Promise<TaskVersion[]> {
  const rows = await work.select<{ taskId: number; taskVersionId: number }>(
    `SELECT t.id AS taskId, v.id AS taskVersionId FROM tasks t
     JOIN task_versions v ON v.task_id = t.id AND v.number = (SELECT MAX(number) FROM task_versions WHERE task_id = t.id) ORDER BY t.id`,
  );
  const contents = await taskContents(
    work,
    rows.map((row) => row.taskVersionId),
  );
  return rows.map((row) => ({ ...row, content: contents.get(row.taskVersionId)! }));
}

/** Task id and content of the given versions; those that do not exist are left out. */
export async function taskVersionsById(work: Work, ids: readonly number[]): Promise<Map<number, TaskVersion>> {
  if (ids.length === 0) return new Map();
  const rows = await work.select<{ taskId: number; taskVersionId: number }>(
    'SELECT task_id AS taskId, id AS taskVersionId FROM task_versions WHERE id IN (:ids)',
    { ids },
  );
  const contents = await taskContents(
    work,
    rows.map((row) => row.taskVersionId),
  );
  return new Map(rows.map((row) => [row.taskVersionId, { ...row, content: contents.get(row.taskVersionId)! }]));
}

/** A task of the library as its shelf shows it: stock (no owner), or made by a person, perhaps from a stock one. */
export interface TaskRecord extends TaskVersion {
  readonly slug: string;
  readonly number: number;
  readonly ownerId: number | null;
  readonly ownerName: string | null;
  readonly copiedFrom: number | null;
}

/** Every task with its newest version, stock ones first; one task where a slug is named. */
export async function taskRecords(work: Work, slug?: string): Promise<TaskRecord[]> {
  const rows = await work.select<Omit<TaskRecord, 'content'>>(
    `SELECT t.id AS taskId, t.slug, v.id AS taskVersionId, v.number, t.owner_id AS ownerId, p.name AS ownerName, t.copied_from AS copiedFrom
     FROM tasks t JOIN task_versions v ON v.task_id = t.id AND v.number = (SELECT MAX(number) FROM task_versions WHERE task_id = t.id)
     LEFT JOIN people p ON p.id = t.owner_id ${slug === undefined ? '' : 'WHERE t.slug = :slug'} ORDER BY t.owner_id IS NOT NULL, t.id`,
    { slug },
  );
  const contents = await taskContents(
    work,
    rows.map((row) => row.taskVersionId),
  );
  return rows.map((row) => ({ ...row, content: contents.get(row.taskVersionId)! }));
}

export interface WrittenVersion {
  readonly taskVersionId: number;
  readonly number: number;
  readonly createdAt: Instant;
}

/** All versions of a task, newest first. */
export async function versionsOfTask(work: Work, taskId: number): Promise<WrittenVersion[]> {
  return work.select(
    'SELECT id AS taskVersionId, number, created_at AS createdAt FROM task_versions WHERE task_id = :taskId ORDER BY number DESC',
    { taskId },
  );
}

export interface TaskDraft {
  readonly slug: string;
  readonly content: unknown;
  /** The version that the work began from; null for a task that is not in the library yet. */
  readonly basedOn: number | null;
  readonly savedAt: Instant;
}

/** What a person has on the bench, newest first; one task where a slug is named. */
export async function taskDrafts(work: Work, personId: number, slug?: string): Promise<TaskDraft[]> {
  return work.select(
    `SELECT slug, content, based_on AS basedOn, saved_at AS savedAt FROM task_drafts
     WHERE person_id = :personId ${slug === undefined ? '' : 'AND slug = :slug'} ORDER BY saved_at DESC`,
    { personId, slug },
  );
}

/** Slugs that lie on anybody's bench but one person's: they are spoken for, though the library has none of them yet. */
export async function slugsOnOtherBenches(work: Work, personId: number): Promise<string[]> {
  const rows = await work.select<{ slug: string }>('SELECT DISTINCT slug FROM task_drafts WHERE person_id <> :personId', { personId });
  return rows.map((row) => row.slug);
}

export async function saveTaskDraft(
  work: Work,
  personId: number,
  { slug, content, basedOn, savedAt }: TaskDraft & { readonly content: object },
): Promise<void> {
  await dropTaskDraft(work, personId, slug);
  await work.insert('task_drafts', { person_id: personId, slug, content, based_on: basedOn, saved_at: savedAt });
}

export async function dropTaskDraft(work: Work, personId: number, slug: string): Promise<void> {
  await work.remove('task_drafts', { person_id: personId, slug });
}

export interface TaskOrigin {
  readonly ownerId: number;
  readonly copiedFrom: number | null;
}

/** Writes the next version of the task with the content's slug, and the task itself where it is new. */
export async function addTaskVersion(work: Work, content: TaskContent, at: number, origin: TaskOrigin | null = null): Promise<TaskVersion> {
  const [known] = await work.select<{ id: number; number: number | null }>(
    'SELECT t.id, MAX(v.number) AS number FROM tasks t LEFT JOIN task_versions v ON v.task_id = t.id WHERE t.slug = :slug GROUP BY t.id',
    { slug: content.slug },
  );
  const taskId =
    known?.id ??
    (await work.insert('tasks', { slug: content.slug, owner_id: origin?.ownerId ?? null, copied_from: origin?.copiedFrom ?? null }));
  const number = (known?.number ?? 0) + 1;
  const taskVersionId = await work.insert('task_versions', { task_id: taskId, number, content, created_at: at });
  return { taskId, taskVersionId, content };
}
