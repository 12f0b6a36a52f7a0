import { readTaskPack, taskPackJsonSchema, writeTaskPack, type PackFault } from '@/formats';
import { addTaskVersion, inTransaction, slugsInOtherDrafts, taskRecords } from '@/db';
import { requireMay } from '../access';
import { recordAboutPerson } from '../audit/trail';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';

/** Tasks of the library as a pack, those with the given slugs or all that the actor made. */
export async function exportPack(context: Context, actor: PersonActor, slugs: readonly string[]): Promise<string> {
  return inTransaction(context.db, async (work) => {
    const all = await taskRecords(work);
    const wanted = all.filter((task) => (slugs.length ? slugs.includes(task.slug) : task.ownerId === actor.personId));
    if (wanted.length === 0) throw new AppError('notFound');
    await recordAboutPerson(work, context.now(), actor.personId, 'tasks.exported');
    return writeTaskPack({ name: actor.name, tasks: wanted.map((task) => task.content) });
  });
}

/** Others are served before it goes on. */
const letOthersIn = () => new Promise<void>((resolve) => setImmediate(resolve));

export type PackAnswer =
  | { readonly ok: true; readonly added: readonly string[] }
  | { readonly ok: false; readonly faults: readonly PackFault[]; readonly taken: readonly string[] };

/** Takes a pack into the library, whole or not at all. A slug that is somebody else's already refuses it too. */
export async function importPack(context: Context, actor: PersonActor, text: string): Promise<PackAnswer> {
  requireMay(actor, 'makeTasks');
  const read = await readTaskPack(text, letOthersIn);
  if (!read.ok) return { ok: false, faults: read.issues, taken: [] };
  return inTransaction(context.db, async (work): Promise<PackAnswer> => {
    const all = await taskRecords(work);
    const others = new Set([
      ...all.filter((task) => task.ownerId !== actor.personId).map((task) => task.slug),
      ...(await slugsInOtherDrafts(work, actor.personId)),
    ]);
    const taken = read.value.tasks.map((task) => task.slug).filter((slug) => others.has(slug));
    if (taken.length) return { ok: false, faults: [], taken };
    for (const task of read.value.tasks) await addTaskVersion(work, task, context.now(), { ownerId: actor.personId, copiedFrom: null });
    await recordAboutPerson(work, context.now(), actor.personId, 'tasks.imported', { count: read.value.tasks.length });
    return { ok: true, added: read.value.tasks.map((task) => task.slug) };
  });
}

/** The published schema of a pack. */
export function packSchema(): object {
  return taskPackJsonSchema();
}
