import { isDeepStrictEqual } from 'node:util';
import type { TaskContent } from '@/core/tasks';
import { addTaskVersion, inTransaction, setShelf, taskRecords } from '@/db';
import type { Context } from '../context';

/**
 * Brings the stock tasks up to date: those that are not there yet come, those that were mended come as their next version, those that are stock
 * no more leave the shelf. What therapists made, and what programs were sent, stays as it is. Gives back how many came, new or mended.
 */
export async function addStockTasks(context: Context, library: readonly TaskContent[]): Promise<number> {
  return inTransaction(context.db, async (work) => {
    const known = new Map((await taskRecords(work)).map((record) => [record.slug, record]));
    const slugs = new Set(library.map(({ slug }) => slug));
    const changed = library.filter((content) => {
      const record = known.get(content.slug);
      return !record || (record.ownerId === null && !isDeepStrictEqual(record.content, asKept(content)));
    });
    for (const content of changed) await addTaskVersion(work, content, context.now());
    for (const { slug, ownerId, taskId, shelf } of known.values()) {
      const wanted = slugs.has(slug) ? 'everybody' : 'nobody';
      if (ownerId === null && shelf !== wanted) await setShelf(work, taskId, wanted);
    }
    return changed.length;
  });
}

/** As the database gives it back: what is not there is left out. */
function asKept(content: TaskContent): unknown {
  return JSON.parse(JSON.stringify(content));
}
