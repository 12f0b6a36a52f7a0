import type { TaskContent } from '@/core/tasks';
import { inReading, taskDrafts, taskRecords, type TaskRecord } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { may } from '../may';

export interface LibraryView {
  readonly tasks: readonly TaskRecord[];
  readonly mayMake: boolean;
  /** Drafts of this person that are not in the library yet. */
  readonly inEditor: readonly { readonly slug: string; readonly title: string; readonly isNew: boolean }[];
}

/** The shelf of tasks: stock, one's own, and what lies unfinished on the bench. */
export async function viewLibrary(context: Context, actor: PersonActor): Promise<LibraryView> {
  return inReading(context.db, async (work) => {
    // Tasks that are removed or private are seen by their owner alone.
    const tasks = (await taskRecords(work)).filter(({ shelf, ownerId }) => shelf === 'everybody' || ownerId === actor.personId);
    const drafts = await taskDrafts(work, actor.personId);
    const inEditor = drafts.map(({ slug, content }) => ({
      slug,
      title: (content as Partial<TaskContent>).title?.en || slug,
      isNew: !tasks.some((task) => task.slug === slug),
    }));
    return { tasks, inEditor, mayMake: may(actor, null, 'makeTasks') };
  });
}
