import { z } from 'zod';
import { MILLISECONDS_PER_HOUR, instant } from '@/core/calendar';
import {
  addJobs,
  addPasswordLink,
  changePasswordHash,
  countTryOf,
  inTransaction,
  passwordLinkByHash,
  personByEmail,
  personById,
  revokeOtherSignIns,
  spendPasswordLink,
  type PasswordLink,
  type Work,
} from '@/db';
import { recordAboutPerson } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { passwordLinkJob } from '../jobs/jobs';
import { tokenOf } from '../messages/familyAddress';
import { parseInput } from '../parseInput';
import { hashOf, newToken, TOKEN_FORM } from '../secrets';
import { passwordSchema, refuseGuessed } from './password';
import { emailSchema } from './email';
import { hashPassword } from './signIn';
import { clearTriesAt } from './rateLimit';

/** Reset links per address and hour; further requests are ignored silently. */
const MOST_LINKS = 3;

/**
 * Sends a one-time link to who forgot a password, good for an hour, by the service that other messages go through. Whoever asks
 * is told the same, whether anybody has the address or not.
 */
export async function askForPassword(context: Context, raw: unknown): Promise<void> {
  const input = z.object({ email: emailSchema }).safeParse(raw);
  if (!input.success) return;
  const now = context.now();
  await inTransaction(context.db, async (work) => {
    const { tries } = await countTryOf(work, `forgotten:${hashOf(input.data.email)}`, now, MILLISECONDS_PER_HOUR);
    const person = await personByEmail(work, input.data.email);
    if (!person || person.closedAt !== null || tries > MOST_LINKS) return;
    // The link is made where it goes out: the database keeps its hash alone.
    await addJobs(work, [passwordLinkJob(person.id, newToken(), now)]);
  });
}

/**
 * Makes the link and keeps its hash; an older one opens nothing any more. Done by the runner, which may do it again after a crash: the
 * same asking makes the same link.
 */
export async function makePasswordLink(work: Work, context: Context, personId: number, asking: string): Promise<string> {
  const token = tokenOf(context.linkSecret, asking);
  const now = context.now();
  await addPasswordLink(work, personId, hashOf(token), now, instant(now + MILLISECONDS_PER_HOUR));
  return `${context.origin}/reset-password/${token}`;
}

/** @throws AppError linkUnknown, linkExpired, linkRevoked where it was used */
export async function viewPasswordLink(context: Context, token: string): Promise<void> {
  await inTransaction(context.db, (work) => openLink(work, context, token, false));
}

const choiceSchema = z.object({ token: z.string(), password: passwordSchema });

/** Another password by a one-time link: every session of the account ends. @throws AppError linkUnknown, linkExpired, linkRevoked, invalid */
export async function choosePassword(context: Context, raw: unknown): Promise<{ email: string; password: string }> {
  const { token, password } = parseInput(choiceSchema, raw);
  const { personId } = await inTransaction(context.db, (work) => openLink(work, context, token, false));
  const person = (await inTransaction(context.db, (work) => personById(work, personId)))!;
  await refuseGuessed(password, person);
  const passwordHash = await hashPassword(password);
  await inTransaction(context.db, async (work) => {
    const link = await openLink(work, context, token, true);
    await changePasswordHash(work, link.personId, passwordHash);
    await revokeOtherSignIns(work, link.personId, 0, context.now());
    await spendPasswordLink(work, link.id, context.now());
    await clearTriesAt(work, { personId: person.id, deviceHash: null });
    await recordAboutPerson(work, context.now(), person.id, 'password.changed');
  });
  return { email: person.email, password };
}

async function openLink(work: Work, context: Context, token: string, lock: boolean): Promise<PasswordLink> {
  const link = TOKEN_FORM.test(token) ? await passwordLinkByHash(work, hashOf(token), lock) : null;
  if (!link) throw new AppError('linkUnknown');
  if (link.usedAt !== null) throw new AppError('linkRevoked');
  if (link.expiresAt <= context.now()) throw new AppError('linkExpired');
  return link;
}
