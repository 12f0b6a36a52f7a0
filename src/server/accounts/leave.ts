import { closePerson, countLed, inTransaction, personById } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid } from '../parseInput';
import { requireConfirmed } from './sessions';

/**
 * Closes a colleague's account: every session ends, and what they did stays under their name. Children whom they lead are handed
 * over before, so that none is left without a therapist.
 * @throws AppError notAllowed, notFound, stillLeads with how many, invalid for the actor's own account
 */
export async function closeAccount(context: Context, actor: PersonActor, personId: number): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  requireConfirmed(context, actor);
  if (personId === actor.personId) throw invalid({ path: 'personId', code: 'ownAccount' });
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const person = Number.isSafeInteger(personId) ? await personById(work, personId) : null;
    if (!person || person.closedAt !== null) throw new AppError('notFound');
    if (person.role === 'supervisor') requireMay(actor, 'changeTrust');
    const children = await countLed(work, personId);
    if (children > 0) throw new AppError('stillLeads', { children });
    await closePerson(work, personId, now);
    await recordChanges(work, now, [entryOf(actor, now, [], 'person.closed', { who: person.name })]);
  });
}
