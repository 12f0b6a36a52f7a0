import { countOpenStops, inReading } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';

/** How many tasks of this person's students are on hold after an injury report: told on every screen. */
export async function openInjuries(context: Context, actor: PersonActor): Promise<number> {
  return inReading(context.db, (work) => countOpenStops(work, actor.personId));
}
