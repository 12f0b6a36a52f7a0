import { addDays, daysFromTo, instant, type CalendarDay, type Instant } from '@/core/calendar';
import { childById, inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import type { Context } from '@/server/context';
import { CHILDREN, PEOPLE } from './children';
import type { FamilyState, Practice } from './family';
import { liveDay, type DemoFamily, type Living } from './livedDay';

/** How far the families of a demo have lived, as it is kept in a file between two plays. */
export interface LivedDemo {
  readonly begun: CalendarDay;
  readonly firstEnd: CalendarDay;
  readonly livedUpTo: CalendarDay;
  readonly therapistId: number;
  readonly families: readonly {
    readonly childId: number;
    readonly index: number;
    readonly state: FamilyState;
    readonly slip: readonly Practice[];
  }[];
}

export function therapistOf(personId: number): PersonActor {
  return { kind: 'person', personId, name: PEOPLE.therapist.name, role: 'therapist', signInId: 0, confirmedUntil: instant(8e15) };
}

export function livedFrom({ begun, firstEnd, therapist }: Living, families: readonly DemoFamily[], livedUpTo: CalendarDay): LivedDemo {
  const kept = families.map(({ child, index, state, slip }) => ({ childId: child.id, index, state, slip }));
  return { begun, firstEnd, livedUpTo, therapistId: therapist.personId, families: kept };
}

/** Four in the afternoon at Tarrow Hill, near enough: families practise after school. */
export const afternoonOf = (day: CalendarDay): Instant => instant(Date.parse(`${day}T22:00:00Z`));

/**
 * Lives the days after those that were lived, up to one of them: whatever the programs ask by now, told through the doors that families use. Nobody decides
 * anything: that is for whoever tries the demo.
 * @param context whose clock `moveTo` moves
 * @returns how far it is lived after it
 */
export async function playOn(context: Context, moveTo: (at: Instant) => void, lived: LivedDemo, upTo: CalendarDay): Promise<LivedDemo> {
  const living: Living = { context, therapist: therapistOf(lived.therapistId), begun: lived.begun, firstEnd: lived.firstEnd };
  let families: readonly DemoFamily[] = await inTransaction(context.db, async (work) => {
    const found: DemoFamily[] = [];
    for (const { childId, ...rest } of lived.families) {
      const child = await childById(work, childId);
      // Children removed from the demo report nothing any more.
      if (child) found.push({ ...rest, child, demo: CHILDREN[rest.index]! });
    }
    return found;
  });
  for (const day of daysFromTo(addDays(lived.livedUpTo, 1), upTo)) {
    moveTo(afternoonOf(day));
    families = await liveDay(living, families, day);
  }
  return livedFrom(living, families, upTo);
}
