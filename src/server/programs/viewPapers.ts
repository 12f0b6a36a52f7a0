import { calendarDayInZone } from '@/core/calendar';
import { inReading, childrenOf, workplaceOf } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { toPrint, type ChildToDo } from '../reports/toDo';

export interface PapersView {
  readonly children: number;
  readonly schools: readonly { readonly name: string; readonly children: number }[];
  /** Families on paper whose program has changed since it was printed. */
  readonly unprinted: readonly ChildToDo[];
}

/** For how many children paper can be made, in all and by school: a bag for each. */
export async function viewPapers(context: Context, actor: PersonActor): Promise<PapersView> {
  const { own, unprinted } = await inReading(context.db, async (work) => {
    const own = await childrenOf(work, actor.personId);
    const { timeZone } = await workplaceOf(work);
    const children = own.map(({ child }) => child);
    return { own, unprinted: await toPrint(work, children, calendarDayInZone(context.now(), timeZone)) };
  });
  const counts = new Map<string, number>();
  for (const { child } of own) counts.set(child.school, (counts.get(child.school) ?? 0) + 1);
  const schools = [...counts].map(([name, children]) => ({ name, children })).sort((a, b) => a.name.localeCompare(b.name));
  return { children: own.length, schools, unprinted };
}
