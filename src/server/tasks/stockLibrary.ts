import type { TaskContent } from '@/core/tasks';
import { addTaskVersion, inTransaction, latestTasks } from '@/db';
import type { Context } from '../context';

/** Puts the stock tasks that are not there yet into the library. Those that are stand as they are. Gives back how many came. */
export async function addStockTasks(context: Context, library: readonly TaskContent[]): Promise<number> {
  return inTransaction(context.db, async (work) => {
    const known = new Set((await latestTasks(work)).map(({ content }) => content.slug));
    const missing = library.filter(({ slug }) => !known.has(slug));
    for (const content of missing) await addTaskVersion(work, content, context.now());
    return missing.length;
  });
}
