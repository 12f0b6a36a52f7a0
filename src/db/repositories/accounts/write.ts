import type { Instant } from '@/core/calendar';
import type { RuleName } from '@/core/stepRules';
import type { Role } from '@/core/students';
import { momentText, tablesOf, type Work } from '../../work';
import type { Person } from './read';

export type NewPerson = Pick<Person, 'name' | 'email' | 'role' | 'passwordHash'>;

export async function addPerson(work: Work, person: NewPerson, at: Instant): Promise<number> {
  const { name, email, role, passwordHash } = person;
  return tablesOf(work).insert('people', { name, email, role, password_hash: passwordHash, created_at: at });
}

export interface NewSignIn {
  readonly personId: number;
  readonly tokenHash: string;
  readonly device: string;
  readonly address: string;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
  readonly needsFactor: boolean;
}

export async function addSignIn(work: Work, signIn: NewSignIn): Promise<number> {
  const { personId, tokenHash, device, address, createdAt, expiresAt, needsFactor } = signIn;
  return tablesOf(work).insert('sign_ins', {
    person_id: personId,
    token_hash: tokenHash,
    device,
    address,
    created_at: createdAt,
    expires_at: expiresAt,
    seen_at: createdAt,
    confirmed_at: createdAt,
    needs_factor: needsFactor,
  });
}

/** Ends the oldest of a person's open sessions, so that no more than so many stay. */
export async function revokeOldestSignIns(work: Work, personId: number, most: number, at: Instant): Promise<void> {
  const tables = tablesOf(work);
  const old = await tables.select<{ id: number }>(
    'SELECT id FROM sign_ins WHERE person_id = :personId AND revoked_at IS NULL AND expires_at > :now ORDER BY id DESC LIMIT 1000 OFFSET :most',
    { personId, now: momentText(at), most },
  );
  if (old.length > 0) await tables.update('sign_ins', { revoked_at: at }, { id: old.map(({ id }) => id) });
}

export async function touchSignIn(work: Work, signInId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('sign_ins', { seen_at: at }, { id: signInId });
}

/** The password was given once more. */
export async function confirmSignIn(work: Work, signInId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('sign_ins', { confirmed_at: at }, { id: signInId });
}

/** The second factor was given. */
export async function completeSignIn(work: Work, signInId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('sign_ins', { needs_factor: false, confirmed_at: at }, { id: signInId });
}

export async function keepDevice(work: Work, personId: number, tokenHash: string, at: Instant): Promise<void> {
  await tablesOf(work).select(
    'INSERT INTO known_devices (person_id, token_hash, seen_at) VALUES (:personId, :tokenHash, :at) ON DUPLICATE KEY UPDATE seen_at = :at RETURNING id',
    { personId, tokenHash, at: momentText(at) },
  );
}

/** A secret that is not asked for until a code of it was given; null takes the second factor away. */
export async function changeFactor(
  work: Work,
  personId: number,
  { secret, since, step }: { readonly secret: string | null; readonly since: Instant | null; readonly step: number },
): Promise<void> {
  await tablesOf(work).update('people', { factor_secret: secret, factor_at: since, factor_step: step }, { id: personId });
}

/** New codes in place of all before. */
export async function replaceRecoveryCodes(work: Work, personId: number, hashes: readonly string[]): Promise<void> {
  await tablesOf(work).remove('recovery_codes', { person_id: personId });
  await tablesOf(work).insertAll(
    'recovery_codes',
    hashes.map((code_hash) => ({ person_id: personId, code_hash, used_at: null })),
  );
}

/** False where it is none, or was used. */
export async function spendRecoveryCode(work: Work, personId: number, codeHash: string, at: Instant): Promise<boolean> {
  return (await tablesOf(work).update('recovery_codes', { used_at: at }, { person_id: personId, code_hash: codeHash, used_at: null })) > 0;
}

/** Ends one of a person's own open sessions. False where it is none of theirs, or ended before. */
export async function revokeSignInOf(work: Work, personId: number, signInId: number, at: Instant): Promise<boolean> {
  return (await tablesOf(work).update('sign_ins', { revoked_at: at }, { id: signInId, person_id: personId, revoked_at: null })) > 0;
}

export async function addInvitation(work: Work, tokenHash: string, role: Role, createdAt: Instant, expiresAt: Instant): Promise<void> {
  await tablesOf(work).insert('invitations', { token_hash: tokenHash, role, created_at: createdAt, expires_at: expiresAt });
}

export async function spendInvitation(work: Work, invitationId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('invitations', { used_at: at }, { id: invitationId });
}

/** Takes away what nobody has used: a link that was printed and lost opens nothing. */
export async function deleteUnusedInvitations(work: Work): Promise<void> {
  await tablesOf(work).remove('invitations', { used_at: null });
}

/** False where it was used or taken back already. */
export async function deleteInvitation(work: Work, invitationId: number): Promise<boolean> {
  return (await tablesOf(work).remove('invitations', { id: invitationId, used_at: null })) > 0;
}

/** @param days ISO weekdays, in order */
export async function changeReadDays(work: Work, personId: number, days: readonly number[]): Promise<void> {
  await tablesOf(work).update('people', { read_days: [...days] }, { id: personId });
}

/** Sets the rule by which steps are suggested, where nothing is chosen for a student, and why it was chosen. */
export async function changeAdvancingRule(work: Work, personId: number, rule: RuleName, reason: string): Promise<void> {
  await tablesOf(work).update('people', { advancing_rule: rule, advancing_reason: reason }, { id: personId });
}

export async function changePasswordHash(work: Work, personId: number, passwordHash: string): Promise<void> {
  await tablesOf(work).update('people', { password_hash: passwordHash }, { id: personId });
}

/** Ends every session of a person but one. */
export async function revokeOtherSignIns(work: Work, personId: number, signInId: number, at: Instant): Promise<void> {
  const open = await tablesOf(work).select<{ id: number }>(
    'SELECT id FROM sign_ins WHERE person_id = :personId AND id <> :signInId AND revoked_at IS NULL',
    { personId, signInId },
  );
  for (const { id } of open) await tablesOf(work).update('sign_ins', { revoked_at: at }, { id });
}

/** Closes an account: every session ends and no new one begins; what the person did stays under their name. */
export async function closePerson(work: Work, personId: number, at: Instant): Promise<void> {
  const tables = tablesOf(work);
  await tables.update('people', { closed_at: at }, { id: personId });
  await tables.remove('child_access', { person_id: personId });
  await revokeOtherSignIns(work, personId, 0, at);
}

export async function addPasswordLink(
  work: Work,
  personId: number,
  tokenHash: string,
  createdAt: Instant,
  expiresAt: Instant,
): Promise<void> {
  await tablesOf(work).remove('password_links', { person_id: personId, used_at: null });
  await tablesOf(work).insert('password_links', {
    person_id: personId,
    token_hash: tokenHash,
    created_at: createdAt,
    expires_at: expiresAt,
  });
}

export async function spendPasswordLink(work: Work, linkId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('password_links', { used_at: at }, { id: linkId });
}
