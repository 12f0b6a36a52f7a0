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
    const rows = await work.select<{ id: number; content: TaskContent }>('SELECT id, content FROM task_versions WHERE id IN (:missing)', { missing });
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
  const contents = await taskContents(work, rows.map((row) => row.taskVersionId));
  return rows.map((row) => ({ ...row, content: contents.get(row.taskVersionId)! }));
}

/** Task id and content of the given versions; those that do not exist are left out. */
export async function taskVersionsById(work: Work, ids: readonly number[]): Promise<Map<number, TaskVersion>> {
  if (ids.length === 0) return new Map();
  const rows = await work.select<{ taskId: number; taskVersionId: number }>(
    'SELECT task_id AS taskId, id AS taskVersionId FROM task_versions WHERE id IN (:ids)',
    { ids },
  );
  const contents = await taskContents(work, rows.map((row) => row.taskVersionId));
  return new Map(rows.map((row) => [row.taskVersionId, { ...row, content: contents.get(row.taskVersionId)! }]));
}

export async function addTaskVersion(work: Work, content: TaskContent, at: number): Promise<TaskVersion> {
  const [known] = await work.select<{ id: number; number: number | null }>(
    'SELECT t.id, MAX(v.number) AS number FROM tasks t LEFT JOIN task_versions v ON v.task_id = t.id WHERE t.slug = :slug GROUP BY t.id',
    { slug: content.slug },
  );
  const taskId = known?.id ?? (await work.insert('tasks', { slug: content.slug }));
  const number = (known?.number ?? 0) + 1;
  const taskVersionId = await work.insert('task_versions', { task_id: taskId, number, content, created_at: at });
  return { taskId, taskVersionId, content };
}
