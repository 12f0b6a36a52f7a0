import { inTransaction, openSignIns, revokeSignInOf, signInByHash, type OpenSignIn, type SignIn } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf, TOKEN_FORM } from '../secrets';

/**
 * Who a session cookie stands for.
 * @throws AppError signInNeeded where there is none, or it was revoked or has run out.
 */
export async function actorOfToken(context: Context, token: string | undefined): Promise<PersonActor> {
  if (!token || !TOKEN_FORM.test(token)) throw new AppError('signInNeeded');
  const found = await inTransaction(context.db, (work) => signInByHash(work, hashOf(token)));
  if (!found || !isOpen(found, context.now())) throw new AppError('signInNeeded');
  return { kind: 'person', personId: found.personId, name: found.name, role: found.role, signInId: found.id };
}

function isOpen(signIn: SignIn, now: number): boolean {
  return signIn.revokedAt === null && signIn.expiresAt > now;
}

/** Ends one of the actor's own sessions: this one, or one left open elsewhere. @throws AppError notFound */
export async function revokeSignIn(context: Context, actor: PersonActor, signInId: number): Promise<void> {
  const isRevoked = await inTransaction(context.db, (work) => revokeSignInOf(work, actor.personId, signInId, context.now()));
  if (!isRevoked) throw new AppError('notFound');
}

export async function viewSignIns(context: Context, actor: PersonActor): Promise<OpenSignIn[]> {
  return inTransaction(context.db, (work) => openSignIns(work, actor.personId, context.now()));
}
