import type { Instant } from '@/core/calendar';
import { ROLES, type Role } from '@/core/child';
import { oneOf } from '../../rows/columns';
import { momentText, tablesOf, type Work } from '../../work';

export interface Person {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly passwordHash: string;
}

export async function personByEmail(work: Work, email: string): Promise<Person | null> {
  const [row] = await tablesOf(work).select<Omit<Person, 'role'> & { role: unknown }>(
    'SELECT id, name, email, role, password_hash AS passwordHash FROM people WHERE email = :email',
    { email },
  );
  return row ? { ...row, role: oneOf('role', ROLES, row.role) } : null;
}

export async function personById(work: Work, personId: number): Promise<Person | null> {
  const [row] = await tablesOf(work).select<Omit<Person, 'role'> & { role: unknown }>(
    'SELECT id, name, email, role, password_hash AS passwordHash FROM people WHERE id = :personId',
    { personId },
  );
  return row ? { ...row, role: oneOf('role', ROLES, row.role) } : null;
}

/** How many people work here: 0 in a database that nobody has begun with. */
export async function countPeople(work: Work): Promise<number> {
  const [row] = await tablesOf(work).select<{ count: number }>('SELECT COUNT(*) AS count FROM people');
  return row!.count;
}

export interface SignIn {
  readonly id: number;
  readonly personId: number;
  readonly name: string;
  readonly role: Role;
  readonly expiresAt: Instant;
  readonly revokedAt: Instant | null;
}

export async function signInByHash(work: Work, tokenHash: string): Promise<SignIn | null> {
  const [row] = await tablesOf(work).select<Omit<SignIn, 'role'> & { role: unknown }>(
    `SELECT s.id, s.person_id AS personId, p.name, p.role, s.expires_at AS expiresAt, s.revoked_at AS revokedAt
     FROM sign_ins s JOIN people p ON p.id = s.person_id WHERE s.token_hash = :tokenHash`,
    { tokenHash },
  );
  return row ? { ...row, role: oneOf('role', ROLES, row.role) } : null;
}

export interface OpenSignIn {
  readonly id: number;
  readonly device: string;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
}

export async function openSignIns(work: Work, personId: number, now: Instant): Promise<OpenSignIn[]> {
  return tablesOf(work).select(
    `SELECT id, device, created_at AS createdAt, expires_at AS expiresAt FROM sign_ins
     WHERE person_id = :personId AND revoked_at IS NULL AND expires_at > :now ORDER BY id DESC`,
    { personId, now: momentText(now) },
  );
}

/** Everybody who works here, by name. */
export async function peopleHere(work: Work): Promise<readonly Omit<Person, 'passwordHash'>[]> {
  const rows = await tablesOf(work).select<Omit<Person, 'role' | 'passwordHash'> & { role: unknown }>(
    'SELECT id, name, email, role FROM people ORDER BY name, id',
  );
  return rows.map((row) => ({ ...row, role: oneOf('role', ROLES, row.role) }));
}

/** Invitations that can still be used, the newest first. */
export async function openInvitations(work: Work, now: Instant): Promise<readonly Omit<Invitation, 'usedAt'>[]> {
  const rows = await tablesOf(work).select<Omit<Invitation, 'role' | 'usedAt'> & { role: unknown }>(
    'SELECT id, role, expires_at AS expiresAt FROM invitations WHERE used_at IS NULL AND expires_at > :now ORDER BY id DESC',
    { now: momentText(now) },
  );
  return rows.map((row) => ({ ...row, role: oneOf('role', ROLES, row.role) }));
}

export interface Invitation {
  readonly id: number;
  readonly role: Role;
  readonly expiresAt: Instant;
  readonly usedAt: Instant | null;
}

/** @param lock holds the row until the transaction ends, so that two who use one link meet here */
export async function invitationByHash(work: Work, tokenHash: string, lock: boolean): Promise<Invitation | null> {
  const [row] = await tablesOf(work).select<Omit<Invitation, 'role'> & { role: unknown }>(
    `SELECT id, role, expires_at AS expiresAt, used_at AS usedAt FROM invitations WHERE token_hash = :tokenHash ${lock ? 'FOR UPDATE' : ''}`,
    { tokenHash },
  );
  return row ? { ...row, role: oneOf('role', ROLES, row.role) } : null;
}
