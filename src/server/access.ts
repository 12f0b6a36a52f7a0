import { childFor, type OwnChild, type Work } from '@/db';
import type { PersonActor } from './actor';
import { AppError } from './errors';
import { may, type ChildAct, type WorkplaceAct } from './may';

/**
 * The child, if it is the actor's own or shared with them and the act is theirs to do. One that is not looks the same as one
 * that does not exist.
 * @throws AppError notFound, notAllowed
 */
export async function requireChild(work: Work, actor: PersonActor, childId: number, act: ChildAct): Promise<OwnChild> {
  const found = Number.isSafeInteger(childId) ? await childFor(work, actor.personId, childId) : null;
  if (!found) throw new AppError('notFound');
  if (!may(actor, found.access, act)) throw new AppError('notAllowed');
  return found;
}

/** @throws AppError notAllowed */
export function requireMay(actor: PersonActor, act: WorkplaceAct): void {
  if (!may(actor, null, act)) throw new AppError('notAllowed');
}
