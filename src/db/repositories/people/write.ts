import type { Instant } from '@/core/calendar';
import type { Role } from '@/core/child';
import { tablesOf, type Work } from '../../work';
import type { Person } from './read';

export async function addPerson(work: Work, person: Omit<Person, 'id' | 'closedAt'>, at: Instant): Promise<number> {
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
}

export async function addSignIn(work: Work, { personId, tokenHash, device, address, createdAt, expiresAt }: NewSignIn): Promise<number> {
  return tablesOf(work).insert('sign_ins', {
    person_id: personId,
    token_hash: tokenHash,
    device,
    address,
    created_at: createdAt,
    expires_at: expiresAt,
  });
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
export async function dropUnusedInvitations(work: Work): Promise<void> {
  await tablesOf(work).remove('invitations', { used_at: null });
}

/** False where it was used or taken back already. */
export async function dropInvitation(work: Work, invitationId: number): Promise<boolean> {
  return (await tablesOf(work).remove('invitations', { id: invitationId, used_at: null })) > 0;
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
