import { nameOf } from '@/core/child';
import { deleteChild as removeChild, inTransaction } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';

/**
 * Removes a child with everything that speaks of it: facts, goals, programs, reports, messages, links. What stays is the
 * audit trail, as a number without a name. Only who leads the child may, and only by writing its name.
 */
export async function deleteChild(context: Context, actor: PersonActor, childId: number, writtenName: string) {
  const counts = await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'lead');
    if (writtenName.trim() !== nameOf(child)) throw new AppError('invalid', { field: 'name' });
    const gone = await removeChild(work, childId);
    await auditPerson(
      work,
      actor,
      context.now(),
      [childId],
      'child.deleted',
      `${gone.reports} reports, ${gone.versions} versions, ${gone.messages} messages`,
    );
    return gone;
  });
  await context.phone.forget(childId);
  return counts;
}
