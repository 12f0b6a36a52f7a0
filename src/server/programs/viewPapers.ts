import { inTransaction, childrenOf } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';

export interface PapersView {
  readonly children: number;
  readonly schools: readonly { readonly name: string; readonly children: number }[];
}

/** For how many children paper can be made, in all and by school: a bag for each. */
export async function viewPapers(context: Context, actor: PersonActor): Promise<PapersView> {
  const own = await inTransaction(context.db, (work) => childrenOf(work, actor.personId));
  const counts = new Map<string, number>();
  for (const { child } of own) counts.set(child.school, (counts.get(child.school) ?? 0) + 1);
  const schools = [...counts].map(([name, children]) => ({ name, children })).sort((a, b) => a.name.localeCompare(b.name));
  return { children: own.length, schools };
}
