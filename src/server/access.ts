import type { Child } from '@/core/child';
import { addAudit, childFor, type Access, type Work } from '@/db';
import type { Instant } from '@/core/calendar';
import type { PersonActor } from './actor';
import { AppError } from './errors';

/** What a use case wants to do with a child. An assistant logs and reads, but changes no program. */
export type Need = 'read' | 'change' | 'lead';

const ALLOWS: Record<Access, readonly Need[]> = {
  lead: ['read', 'change', 'lead'],
  shared: ['read', 'change'],
  assist: ['read'],
};

/**
 * The child, if it is the actor's own or shared with them. One that is not looks the same as one that does not exist.
 * @throws AppError notFound, notAllowed
 */
export async function requireChild(work: Work, actor: PersonActor, childId: number, need: Need): Promise<{ child: Child; access: Access }> {
  const found = Number.isSafeInteger(childId) ? await childFor(work, actor.personId, childId) : null;
  if (!found) throw new AppError('notFound');
  if (!ALLOWS[found.access].includes(need)) throw new AppError('notAllowed');
  return found;
}

export async function auditPerson(
  work: Work,
  actor: PersonActor,
  at: Instant,
  childIds: readonly number[],
  action: string,
  detail = '',
): Promise<void> {
  await addAudit(work, { at, personId: actor.personId, linkId: null, childIds, action, detail });
}
