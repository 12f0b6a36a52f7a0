import { nameOf } from '@/core/students';
import { childrenOf, inReading, latestTasks } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';

interface Findable {
  readonly href: string;
  readonly name: string;
  readonly hint: string;
}

/** The names of this person's children, on the caseload and off it, and of the library's tasks. */
export async function viewFindables(context: Context, actor: PersonActor): Promise<Findable[]> {
  return inReading(context.db, async (work) => {
    const onIt = await childrenOf(work, actor.personId);
    const offIt = await childrenOf(work, actor.personId, { hasLeft: true });
    const tasks = await latestTasks(work);
    return [
      ...onIt.map(({ child }) => ({ href: `/students/${child.id}`, name: nameOf(child), hint: child.school })),
      ...offIt.map(({ child }) => ({ href: `/students/${child.id}`, name: nameOf(child), hint: 'left the caseload' })),
      ...tasks.map(({ content }) => ({ href: `/tasks/${content.slug}`, name: content.title.en, hint: content.description?.en ?? 'task' })),
    ];
  });
}
