import { verify } from '@node-rs/argon2';
import { z } from 'zod';
import { hardnessOf, HARD_ENOUGH } from './passwordHardness';
import { changePasswordHash, inTransaction, personById, revokeOtherSignIns } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { invalid, parseInput } from '../parseInput';
import { hashOf } from '../secrets';
import { hashPassword } from './signIn';
import { countTry, clearTriesAt } from './rateLimit';

/** Twelve letters at least. NIST SP 800-63B-4 asks for fifteen where a password stands alone, and eight beside another factor (from memory). */
const LEAST_LETTERS = 12;
/** A shorter name stands in many a good password. */
const LEAST_TELLING = 4;

export const passwordSchema = z.string().min(LEAST_LETTERS, 'passwordShort').max(200, 'passwordLong');

/** @throws AppError invalid where the person's own name or address stands in the password, or it is one that is tried early */
export async function refuseGuessed(password: string, { name, email }: { readonly name: string; readonly email: string }): Promise<void> {
  const telling = [name, email.split('@')[0]!].map(plainly).filter((word) => word.length >= LEAST_TELLING);
  if (telling.some((word) => plainly(password).includes(word))) throw invalid({ path: 'password', code: 'passwordGuessed' });
  if ((await hardnessOf(password, [name, email])) < HARD_ENOUGH) throw invalid({ path: 'password', code: 'passwordEasy' });
}

const plainly = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

const changeSchema = z.object({ current: z.string().min(1, 'passwordWrong').max(200, 'passwordWrong'), password: passwordSchema });

/**
 * Another password for the actor's own account. Every other place where they are signed in is signed out.
 * @throws AppError invalid, tooManyTries where the present one was guessed at too often
 */
export async function changePassword(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { current, password } = parseInput(changeSchema, raw);
  const person = (await inTransaction(context.db, (work) => personById(work, actor.personId)))!;
  const of = { personId: actor.personId, deviceHash: hashOf(`session ${actor.signInId}`) };
  await countTry(context, of);
  // Checking and making take a tenth of a second each: no connection is held meanwhile.
  if (!(await verify(person.passwordHash, current))) throw invalid({ path: 'current', code: 'passwordWrong' });
  await refuseGuessed(password, person);
  const passwordHash = await hashPassword(password);
  const now = context.now();
  await inTransaction(context.db, async (work) => {
    await clearTriesAt(work, of);
    await changePasswordHash(work, person.id, passwordHash);
    await revokeOtherSignIns(work, person.id, actor.signInId, now);
    await recordChanges(work, now, [entryOf(actor, now, [], 'password.changed')]);
  });
}
