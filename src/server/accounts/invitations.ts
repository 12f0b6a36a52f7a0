import { z } from 'zod';
import { instantAfterDays, isTimeZone } from '@/core/calendar';
import { ROLES, type Role } from '@/core/students';
import { LANGUAGES, type Language } from '@/core/text';
import {
  addInvitation,
  addPerson,
  changeLanguages,
  countPeople,
  deleteInvitation,
  deleteUnusedInvitations,
  inTransaction,
  invitationByHash,
  isDuplicate,
  setUpWorkplace,
  spendInvitation,
  type Invitation,
  type Work,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordAboutPerson, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { hashOf, newToken, TOKEN_FORM } from '../secrets';
import { emailSchema } from './email';
import { passwordSchema, refuseGuessed } from './password';
import { requireConfirmed } from './sessions';
import { hashPassword } from './signIn';

const INVITATION_DAYS = 7;
/** The first account changes the workplace and leads children. */
const FIRST_ROLE: Role = 'therapist';

/**
 * The token of a one-time link by which the first person gets an account; null where somebody works here already. An older
 * one that nobody used opens nothing any more.
 */
export async function inviteFirst(context: Context): Promise<string | null> {
  const token = newToken();
  return inTransaction(context.db, async (work) => {
    if ((await countPeople(work)) > 0) return null;
    const now = context.now();
    await deleteUnusedInvitations(work);
    await addInvitation(work, hashOf(token), FIRST_ROLE, now, instantAfterDays(now, INVITATION_DAYS));
    return token;
  });
}

const inviteSchema = z.object({ role: z.enum(ROLES) });

/**
 * A one-time link for a colleague, good for seven days. It is told once: only its hash is kept.
 * @throws AppError notAllowed, invalid
 */
export async function invite(context: Context, actor: PersonActor, raw: unknown): Promise<{ link: string }> {
  requireMay(actor, 'changeWorkplace');
  requireConfirmed(context, actor);
  const { role } = parseInput(inviteSchema, raw);
  // A person may not grant a role above their own.
  if (role === 'supervisor') requireMay(actor, 'changeTrust');
  const token = newToken();
  const now = context.now();
  await inTransaction(context.db, async (work) => {
    await addInvitation(work, hashOf(token), role, now, instantAfterDays(now, INVITATION_DAYS));
    await recordChanges(work, now, [entryOf(actor, now, [], 'person.invited', { role })]);
  });
  return { link: `${context.origin}/set-up/${token}` };
}

/** An invitation that opens nothing any more. @throws AppError notAllowed, notFound where it was used or taken back */
export async function revokeInvitation(context: Context, actor: PersonActor, invitationId: number): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const now = context.now();
  await inTransaction(context.db, async (work) => {
    if (!(await deleteInvitation(work, invitationId))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [], 'invitation.takenBack')]);
  });
}

export interface InvitationView {
  readonly role: Role;
  /** True for the first account, which also sets up the workplace. */
  readonly isFirst: boolean;
  /** Defaults from the settings of the installation. */
  readonly timeZone: string | null;
  readonly languages: readonly Language[];
}

/** Returns the invitation behind a one-time link. @throws AppError linkUnknown, linkExpired, linkRevoked where it was used */
export async function viewInvitation(context: Context, token: string): Promise<InvitationView> {
  return inTransaction(context.db, async (work) => {
    const { role } = await openInvitation(work, context, token, false);
    const { timeZone, languages } = context.house;
    return { role, isFirst: (await countPeople(work)) === 0, timeZone, languages: languages ?? LANGUAGES };
  });
}

const accountSchema = z.object({
  token: z.string(),
  name: z.string().trim().min(2, 'nameShort').max(80, 'nameLong'),
  email: emailSchema,
  password: passwordSchema,
});
const workplaceSchema = z.object({
  timeZone: z.string().refine(isTimeZone, 'notATimeZone'),
  emergencyNumber: z
    .string()
    .trim()
    .regex(/^[0-9+ ()-]{2,20}$/, 'notANumber'),
  languages: z.array(z.enum(LANGUAGES)).min(1, 'notALanguage').optional(),
});

/**
 * Makes the account that a one-time link offers; the first one says where this is, too. Nothing is written where anything is wrong.
 * @throws AppError linkUnknown, linkExpired, linkRevoked, invalid
 */
export async function acceptInvitation(
  context: Context,
  raw: Readonly<Record<string, unknown>>,
): Promise<{ email: string; password: string }> {
  const { token } = parseInput(accountSchema.pick({ token: true }), raw);
  const { isFirst, languages: offered } = await viewInvitation(context, token);
  const { name, email, password } = parseInput(accountSchema, raw);
  const place = isFirst ? parseInput(workplaceSchema, raw) : null;
  await refuseGuessed(password, { name, email });
  // Takes a tenth of a second: no connection is held meanwhile.
  const passwordHash = await hashPassword(password);
  try {
    await inTransaction(context.db, async (work) => {
      const invitation = await openInvitation(work, context, token, true);
      if (place) await setUpWorkplace(work, place);
      if (place) await changeLanguages(work, place.languages ?? offered);
      const personId = await addPerson(work, { name, email, role: invitation.role, passwordHash }, context.now());
      await recordAboutPerson(work, context.now(), personId, 'account.made', { role: invitation.role });
      await spendInvitation(work, invitation.id, context.now());
    });
  } catch (error) {
    if (isDuplicate(error)) throw invalid({ path: 'email', code: 'addressTaken' });
    throw error;
  }
  return { email, password };
}

async function openInvitation(work: Work, context: Context, token: string, lock: boolean): Promise<Invitation> {
  const invitation = TOKEN_FORM.test(token) ? await invitationByHash(work, hashOf(token), lock) : null;
  if (!invitation) throw new AppError('linkUnknown');
  if (invitation.usedAt !== null) throw new AppError('linkRevoked');
  if (invitation.expiresAt <= context.now()) throw new AppError('linkExpired');
  return invitation;
}
