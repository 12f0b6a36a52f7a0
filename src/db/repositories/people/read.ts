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
  /** When the account was closed; null for who works here. */
  readonly closedAt: Instant | null;
}

export async function personByEmail(work: Work, email: string): Promise<Person | null> {
  const [row] = await tablesOf(work).select<Omit<Person, 'role'> & { role: unknown }>(
    'SELECT id, name, email, role, password_hash AS passwordHash, closed_at AS closedAt FROM people WHERE email = :email',
    { email },
  );
  return row ? { ...row, role: oneOf('role', ROLES, row.role) } : null;
}

export async function personById(work: Work, personId: number): Promise<Person | null> {
  const [row] = await tablesOf(work).select<Omit<Person, 'role'> & { role: unknown }>(
    'SELECT id, name, email, role, password_hash AS passwordHash, closed_at AS closedAt FROM people WHERE id = :personId',
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
     FROM sign_ins s JOIN people p ON p.id = s.person_id AND p.closed_at IS NULL WHERE s.token_hash = :tokenHash`,
    { tokenHash },
  );
  return row ? { ...row, role: oneOf('role', ROLES, row.role) } : null;
}

export interface OpenSignIn {
  readonly id: number;
  readonly device: string;
  readonly address: string;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
}

export async function openSignIns(work: Work, personId: number, now: Instant): Promise<OpenSignIn[]> {
  return tablesOf(work).select(
    `SELECT id, device, address, created_at AS createdAt, expires_at AS expiresAt FROM sign_ins
     WHERE person_id = :personId AND revoked_at IS NULL AND expires_at > :now ORDER BY id DESC`,
    { personId, now: momentText(now) },
  );
}

/** Who works here, as others see them. */
export interface Colleague extends Omit<Person, 'passwordHash' | 'closedAt'> {
  /** How many children on the caseload they lead. */
  readonly leads: number;
}

/** Everybody who works here, by name. */
export async function peopleHere(work: Work): Promise<readonly Colleague[]> {
  const rows = await tablesOf(work).select<Omit<Colleague, 'role'> & { role: unknown }>(
    `SELECT p.id, p.name, p.email, p.role,
       (SELECT COUNT(*) FROM child_access a JOIN children c ON c.id = a.child_id WHERE a.person_id = p.id AND a.access = 'lead' AND c.left_on IS NULL) AS leads
     FROM people p WHERE p.closed_at IS NULL ORDER BY p.name, p.id`,
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

export interface PasswordLink {
  readonly id: number;
  readonly personId: number;
  readonly expiresAt: Instant;
  readonly usedAt: Instant | null;
}

/** @param lock holds the row until the transaction ends, so that two who use one link meet here */
export async function passwordLinkByHash(work: Work, tokenHash: string, lock: boolean): Promise<PasswordLink | null> {
  const [row] = await tablesOf(work).select<PasswordLink>(
    `SELECT id, person_id AS personId, expires_at AS expiresAt, used_at AS usedAt FROM password_links WHERE token_hash = :tokenHash ${lock ? 'FOR UPDATE' : ''}`,
    { tokenHash },
  );
  return row ?? null;
}

/** How many children, on the caseload or off it, have this person as their lead: nobody leaves them without one. */
export async function countLed(work: Work, personId: number): Promise<number> {
  const [row] = await tablesOf(work).select<{ count: number }>(
    "SELECT COUNT(*) AS count FROM child_access WHERE person_id = :personId AND access = 'lead'",
    { personId },
  );
  return row!.count;
}
