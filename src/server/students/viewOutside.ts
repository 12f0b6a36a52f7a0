import { NO_REMINDERS, reachWays, type Child, type Reach, type Reminders } from '@/core/students';
import { inReading, remindersOf, stoppedAt } from '@/db';
import { reachContact } from '@/core/students';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { teacherAddressesOf } from './teacherLinks';
import { addressOf } from '../ports';
import { senderOf } from '../reports/replies/numbers';

export interface OutsideView {
  readonly child: Child;
  readonly reminders: Reminders;
  /** The services that the family can be reminded by. */
  readonly ways: readonly Reach['way'][];
  /** True where the number that messages go to asked for no more. */
  readonly isStopped: boolean;
  readonly teacherLinks: readonly string[];
}

/** How a child's family is reminded, and what its teacher has: what goes out beside the program. @throws AppError notFound, notAllowed */
export async function viewOutside(context: Context, actor: PersonActor, childId: number): Promise<OutsideView> {
  return inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const contact = reachContact(child.contacts);
    return {
      child,
      reminders: (await remindersOf(work, childId)) ?? NO_REMINDERS,
      ways: reachWays(child.contacts),
      isStopped: (await stoppedAt(work, contact ? senderOf(contact.reach) : addressOf(childId))) !== null,
      teacherLinks: await teacherAddressesOf(work, context, childId),
    };
  });
}
