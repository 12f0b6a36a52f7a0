import { inTransaction, personById, revokeSignInOf, signInByHash, touchSignIn, confirmSignIn, type SignIn } from '@/db';
import { verify } from '@node-rs/argon2';
import { MILLISECONDS_PER_MINUTE, instant } from '@/core/calendar';
import type { PersonActor } from '../actor';
import { recordAboutPerson } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf, TOKEN_FORM } from '../secrets';
import { countTry, clearTriesAt } from './rateLimit';

/** Time after a password check in which it is not repeated. */
const CONFIRMED_MINUTES = 10;

/**
 * Returns the person of a session cookie.
 * @throws AppError signInNeeded where there is none, it was revoked, has run out or was idle for too long; factorNeeded
 */
export async function actorOfToken(context: Context, token: string | undefined): Promise<PersonActor> {
  const { signIn, actor } = await sessionOf(context, token);
  // Sessions that were open before it was asked of everybody are asked, too.
  const isDue = (signIn.factorRequired || context.house.factorRequired) && !signIn.hasFactor;
  if (signIn.needsFactor || isDue) throw new AppError('factorNeeded');
  return actor;
}

/** The same for a session whose second factor is still to be given. @throws AppError signInNeeded */
export async function halfSignedIn(context: Context, token: string | undefined): Promise<PersonActor> {
  return (await sessionOf(context, token)).actor;
}

async function sessionOf(context: Context, token: string | undefined): Promise<{ signIn: SignIn; actor: PersonActor }> {
  if (!token || !TOKEN_FORM.test(token)) throw new AppError('signInNeeded');
  const signIn = await inTransaction(context.db, (work) => signInByHash(work, hashOf(token)));
  const now = context.now();
  if (!signIn || signIn.revokedAt !== null || signIn.expiresAt <= now) throw new AppError('signInNeeded');
  if (signIn.seenAt + signIn.idleMinutes * MILLISECONDS_PER_MINUTE <= now) throw new AppError('signInNeeded');
  // To about a minute: not every look costs a write.
  if (signIn.seenAt + MILLISECONDS_PER_MINUTE <= now) await inTransaction(context.db, (work) => touchSignIn(work, signIn.id, now));
  const { personId, name, role, id, confirmedAt } = signIn;
  const confirmedUntil = instant(confirmedAt + CONFIRMED_MINUTES * MILLISECONDS_PER_MINUTE);
  return { signIn, actor: { kind: 'person', personId, name, role, signInId: id, confirmedUntil } };
}

/** True where the password was given lately in this session. */
export function isConfirmed(context: Context, actor: PersonActor): boolean {
  return actor.confirmedUntil > context.now();
}

/** Requires a recent password check for what cannot be undone or concerns everybody. @throws AppError confirmNeeded */
export function requireConfirmed(context: Context, actor: PersonActor): void {
  if (!isConfirmed(context, actor)) throw new AppError('confirmNeeded');
}

/** The password once more, for what matters. @throws AppError signInFailed, tooManyTries */
export async function confirm(context: Context, actor: PersonActor, password: unknown): Promise<void> {
  const person = (await inTransaction(context.db, (work) => personById(work, actor.personId)))!;
  const of = { personId: actor.personId, deviceHash: hashOf(`session ${actor.signInId}`) };
  await countTry(context, of);
  const isRight =
    typeof password === 'string' && password !== '' && password.length <= 200 && (await verify(person.passwordHash, password));
  await inTransaction(context.db, async (work) => {
    if (isRight) await clearTriesAt(work, of);
    if (isRight) await confirmSignIn(work, actor.signInId, context.now());
    await recordAboutPerson(work, context.now(), actor.personId, isRight ? 'signIn.confirmed' : 'signIn.failed', {
      from: 'an open session',
    });
  });
  if (!isRight) throw new AppError('signInFailed');
}

/** Ends one of the actor's own sessions: this one, or one left open elsewhere. @throws AppError notFound */
export async function revokeSignIn(context: Context, actor: PersonActor, signInId: unknown): Promise<void> {
  if (!Number.isSafeInteger(signInId)) throw new AppError('notFound');
  await inTransaction(context.db, async (work) => {
    if (!(await revokeSignInOf(work, actor.personId, signInId as number, context.now()))) throw new AppError('notFound');
    await recordAboutPerson(work, context.now(), actor.personId, 'signIn.ended');
  });
}
