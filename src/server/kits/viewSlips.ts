import { addDays, calendarDayInZone, weekdayOf, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { childrenOf, inTransaction, workplaceOf } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { linkFor } from '../programs/viewPaper';
import { kitBags, packingWeek, type KitBag } from './viewKits';

export interface SlipOfBag {
  readonly bag: KitBag;
  /** The family's private link; null where it has none, or answers on paper or by call. */
  readonly address: string | null;
}

/** A packing slip for every bag of a school. */
export async function viewSlips(context: Context, actor: PersonActor, school: string, week: CalendarDay | null): Promise<SlipOfBag[]> {
  const slips = await inTransaction(context.db, async (work) => {
    const { timeZone } = await workplaceOf(work);
    const own = (await childrenOf(work, actor.personId)).map(({ child }) => child).filter((child) => child.school === school);
    const children = own.sort((one, other) => nameOf(one).localeCompare(nameOf(other)));
    const today = calendarDayInZone(context.now(), timeZone);
    const monday = week ? addDays(week, 1 - weekdayOf(week)) : packingWeek(today);
    const bags = await kitBags(work, children, today, monday);
    const told: SlipOfBag[] = [];
    for (const bag of bags)
      told.push({
        bag,
        address: await linkFor(
          work,
          context,
          children.find(({ id }) => id === bag.childId)!,
        ),
      });
    return told;
  });
  await context.looks.note(
    entryOf(
      actor,
      context.now(),
      slips.map(({ bag }) => bag.childId),
      'child.viewed',
    ),
  );
  return slips;
}
