import { LRUCache } from 'lru-cache';
import type { Instant } from '@/core/calendar';
import { taskContentSchema, type TaskContent } from '@/core/tasks';
import { tablesOf, type Work } from '../../work';

export interface TaskVersion {
  readonly taskId: number;
  readonly taskVersionId: number;
  readonly content: TaskContent;
}

/** A version of a task by its id, with the hash of its content: what is remembered is found by the hash. */
export interface VersionRef {
  readonly taskVersionId: number;
  readonly contentHash: string;
}

/**
 * Parsed contents by the hash of what was parsed, so that no restore and no other database can be mistaken for it. Some 30 kB
 * each: a library of ten districts, and what older versions of programs still use.
 */
const parsedContents = new LRUCache<string, TaskContent>({ max: 1_500 });

/**
 * The contents of versions, by version id. Each content is read and parsed once; what an older version of the program wrote
 * gets the defaults of what came since.
 * @throws Error where a version is not in the table: a broken reference must not pass as a task.
 */
export async function taskContents(work: Work, refs: readonly VersionRef[]): Promise<Map<number, TaskContent>> {
  const { select } = tablesOf(work);
  const contents = new Map<number, TaskContent>();
  const missing = new Map<number, string>();
  for (const { taskVersionId, contentHash } of refs) {
    const known = parsedContents.get(contentHash);
    if (known) contents.set(taskVersionId, known);
    else missing.set(taskVersionId, contentHash);
  }
  if (missing.size) {
    const rows = await select<{ id: number; content: unknown }>('SELECT id, content FROM task_versions WHERE id IN (:ids)', {
      ids: [...missing.keys()],
    });
    for (const { id, content } of rows) {
      const parsed = taskContentSchema.parse(content);
      parsedContents.set(missing.get(id)!, parsed);
      contents.set(id, parsed);
      missing.delete(id);
    }
  }
  if (missing.size) throw new Error(`Task versions ${[...missing.keys()].join(', ')} are not in the library`);
  return contents;
}

async function withContents<Row extends VersionRef>(
  work: Work,
  rows: readonly Row[],
): Promise<(Omit<Row, 'contentHash'> & { content: TaskContent })[]> {
  const contents = await taskContents(work, rows);
  return rows.map(({ contentHash: _hash, ...row }) => ({ ...row, content: contents.get(row.taskVersionId)! }));
}

type BareVersion = VersionRef & { readonly taskId: number };

/** The newest version of each task in the library. */
/** For whom a task stands in the library. */
export const SHELVES = ['everybody', 'owner', 'nobody'] as const;
export type Shelf = (typeof SHELVES)[number];
const ON_SHELF = "(t.shelf = 'everybody' OR (t.shelf = 'owner' AND t.owner_id = :personId))";

/** The newest version of every task that stands in the library for a person; for nobody in particular: for everybody. */
export async function latestTasks(work: Work, personId: number | null = null): Promise<TaskVersion[]> {
  const rows = await tablesOf(work).select<BareVersion>(
    `SELECT t.id AS taskId, v.id AS taskVersionId, v.content_hash AS contentHash FROM tasks t
     JOIN task_versions v ON v.task_id = t.id AND v.number = (SELECT MAX(number) FROM task_versions WHERE task_id = t.id)
     WHERE ${ON_SHELF} ORDER BY t.id`,
    { personId },
  );
  return withContents(work, rows);
}

/** Which versions `latestTasks` would give, without their contents. */
export async function latestRefs(work: Work, personId: number | null = null): Promise<VersionRef[]> {
  return tablesOf(work).select<VersionRef>(
    `SELECT v.id AS taskVersionId, v.content_hash AS contentHash FROM task_versions v JOIN tasks t ON t.id = v.task_id
     WHERE v.number = (SELECT MAX(number) FROM task_versions WHERE task_id = v.task_id) AND ${ON_SHELF} ORDER BY v.id`,
    { personId },
  );
}

/** Task id and content of the given versions; those that do not exist are left out. */
export async function taskVersionsById(work: Work, ids: readonly number[]): Promise<Map<number, TaskVersion>> {
  if (ids.length === 0) return new Map();
  const rows = await tablesOf(work).select<BareVersion>(
    'SELECT task_id AS taskId, id AS taskVersionId, content_hash AS contentHash FROM task_versions WHERE id IN (:ids)',
    { ids },
  );
  return new Map((await withContents(work, rows)).map((version) => [version.taskVersionId, version]));
}

/** A task of the library as its shelf shows it: stock (no owner), or made by a person, perhaps from a stock one. */
export interface TaskRecord extends TaskVersion {
  readonly slug: string;
  readonly number: number;
  readonly ownerId: number | null;
  readonly ownerName: string | null;
  readonly copiedFrom: number | null;
  readonly shelf: Shelf;
}

/** Every task with its newest version, stock ones first; one task where a slug is named. */
export async function taskRecords(work: Work, slug?: string): Promise<TaskRecord[]> {
  const rows = await tablesOf(work).select<Omit<TaskRecord, 'content'> & VersionRef>(
    `SELECT t.id AS taskId, t.slug, v.id AS taskVersionId, v.content_hash AS contentHash, v.number, t.owner_id AS ownerId, p.name AS ownerName,
       t.copied_from AS copiedFrom, t.shelf
     FROM tasks t JOIN task_versions v ON v.task_id = t.id AND v.number = (SELECT MAX(number) FROM task_versions WHERE task_id = t.id)
     LEFT JOIN people p ON p.id = t.owner_id ${slug === undefined ? '' : 'WHERE t.slug = :slug'} ORDER BY t.owner_id IS NOT NULL, t.id`,
    { slug },
  );
  return withContents(work, rows);
}

export interface WrittenVersion {
  readonly taskVersionId: number;
  readonly number: number;
  readonly createdAt: Instant;
}

/** All versions of a task, newest first. */
export async function versionsOfTask(work: Work, taskId: number): Promise<WrittenVersion[]> {
  return tablesOf(work).select(
    'SELECT id AS taskVersionId, number, created_at AS createdAt FROM task_versions WHERE task_id = :taskId ORDER BY number DESC',
    { taskId },
  );
}

export interface TaskDraft {
  readonly slug: string;
  /** As it was kept: the reader parses it by the form of a draft. */
  readonly content: unknown;
  /** The version that the work began from; null for a task that is not in the library yet. */
  readonly basedOn: number | null;
  readonly savedAt: Instant;
}

/** Lists a person's task drafts, newest first; one task where a slug is given. */
export async function taskDrafts(work: Work, personId: number, slug?: string): Promise<TaskDraft[]> {
  return tablesOf(work).select(
    `SELECT slug, content, based_on AS basedOn, saved_at AS savedAt FROM task_drafts
     WHERE person_id = :personId ${slug === undefined ? '' : 'AND slug = :slug'} ORDER BY saved_at DESC`,
    { personId, slug },
  );
}

/** Slugs that lie on anybody's bench but one person's: they are spoken for, though the library has none of them yet. */
export async function slugsInOtherDrafts(work: Work, personId: number): Promise<string[]> {
  const rows = await tablesOf(work).select<{ slug: string }>('SELECT DISTINCT slug FROM task_drafts WHERE person_id <> :personId', {
    personId,
  });
  return rows.map((row) => row.slug);
}
