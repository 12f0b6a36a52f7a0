import type { Instant } from '@/core/calendar';
import { RULE_NAMES, type RuleName } from '@/core/stepRules';
import { ROLES, type Role } from '@/core/students';
import { oneOf, oneOfOrNull, readWeekdays } from '../../rows/columns';
import { momentText, tablesOf, type Work } from '../../work';

export interface Person {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly passwordHash: string;
  /** When the account was closed; null for who works here. */
  readonly closedAt: Instant | null;
  /** Sealed; null where no second factor was begun with. */
  readonly factorSecret: string | null;
  /** Since when the second factor is asked for; null where it is not. */
  readonly factorAt: Instant | null;
  /** The last step of time whose code was taken: none is taken twice. */
  readonly factorStep: number;
}

const PERSON = `id, name, email, role, password_hash AS passwordHash, closed_at AS closedAt, factor_secret AS factorSecret, factor_at AS factorAt,
  factor_step AS factorStep`;

/** @param email in its normal form */
export async function personByEmail(work: Work, email: string): Promise<Person | null> {
  return toPerson(await tablesOf(work).select(`SELECT ${PERSON} FROM people WHERE email = :email`, { email }));
}

/** @param lock holds the row until the transaction ends, so that one code is not taken twice */
export async function personById(work: Work, personId: number, lock = false): Promise<Person | null> {
  return toPerson(
    await tablesOf(work).select(`SELECT ${PERSON} FROM people WHERE id = :personId ${lock ? 'FOR UPDATE' : ''}`, { personId }),
  );
}

type PersonRow = Omit<Person, 'role' | 'factorStep'> & { role: unknown; factorStep: unknown };

function toPerson([row]: PersonRow[]): Person | null {
  return row ? { ...row, role: oneOf('role', ROLES, row.role), factorStep: Number(row.factorStep) } : null;
}

/** The weekdays on which somebody reads what families send; empty where none were told. */
export async function readDaysOf(work: Work, personId: number): Promise<readonly number[]> {
  const [row] = await tablesOf(work).select<{ days: unknown }>('SELECT read_days AS days FROM people WHERE id = :personId', { personId });
  return row?.days ? readWeekdays(row.days) : [];
}

/** Why somebody took the rule that they have; empty where they wrote nothing. */
export async function advancingReasonOf(work: Work, personId: number): Promise<string> {
  const [row] = await tablesOf(work).select<{ reason: string }>('SELECT advancing_reason AS reason FROM people WHERE id = :personId', {
    personId,
  });
  return row?.reason ?? '';
}

/** Returns the rule by which steps are suggested to a person; null where they chose none. */
export async function advancingRuleOf(work: Work, personId: number): Promise<RuleName | null> {
  const [row] = await tablesOf(work).select<{ rule: unknown }>('SELECT advancing_rule AS rule FROM people WHERE id = :personId', {
    personId,
  });
  return row ? oneOfOrNull('advancing_rule', RULE_NAMES, row.rule) : null;
}

/** The rule of who leads each of these children, where they chose one. */
export async function leadRules(work: Work, childIds: readonly number[]): Promise<Map<number, RuleName>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<{ childId: number; rule: unknown }>(
    `SELECT a.child_id AS childId, p.advancing_rule AS rule FROM child_access a JOIN people p ON p.id = a.person_id
     WHERE a.child_id IN (:childIds) AND a.access = 'lead' AND p.advancing_rule IS NOT NULL`,
    { childIds },
  );
  return new Map(rows.map(({ childId, rule }) => [childId, oneOf('advancing_rule', RULE_NAMES, rule)]));
}

/** Returns a student's lead, and the weekdays on which they read the family's reports. */
export async function readerOf(work: Work, childId: number): Promise<{ readonly name: string; readonly days: readonly number[] } | null> {
  const [row] = await tablesOf(work).select<{ name: string; days: unknown }>(
    `SELECT p.name, p.read_days AS days FROM child_access a JOIN people p ON p.id = a.person_id
     WHERE a.child_id = :childId AND a.access = 'lead' LIMIT 1`,
    { childId },
  );
  return row ? { name: row.name, days: row.days ? readWeekdays(row.days) : [] } : null;
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
  /** When it last asked for anything, to about a minute. */
  readonly seenAt: Instant;
  /** When the password was last given in it. */
  readonly confirmedAt: Instant;
  /** True while the second factor was not given yet. */
  readonly needsFactor: boolean;
  /** True where the person has set a second factor up. */
  readonly hasFactor: boolean;
  /** True where Settings ask everybody for one. */
  readonly factorRequired: boolean;
  /** After so many minutes without asking for anything it is over. */
  readonly idleMinutes: number;
}

type Flag = 'needsFactor' | 'hasFactor' | 'factorRequired';

export async function signInByHash(work: Work, tokenHash: string): Promise<SignIn | null> {
  const [row] = await tablesOf(work).select<Omit<SignIn, 'role' | Flag> & { role: unknown } & Record<Flag, number>>(
    `SELECT s.id, s.person_id AS personId, p.name, p.role, s.expires_at AS expiresAt, s.revoked_at AS revokedAt, s.seen_at AS seenAt,
       s.confirmed_at AS confirmedAt, s.needs_factor AS needsFactor, p.factor_at IS NOT NULL AS hasFactor,
       COALESCE(w.factor_required, 0) AS factorRequired, COALESCE(w.idle_minutes, 120) AS idleMinutes
     FROM sign_ins s JOIN people p ON p.id = s.person_id AND p.closed_at IS NULL LEFT JOIN workplace w ON w.id = 1 WHERE s.token_hash = :tokenHash`,
    { tokenHash },
  );
  if (!row) return null;
  const { needsFactor, hasFactor, factorRequired } = row;
  return {
    ...row,
    role: oneOf('role', ROLES, row.role),
    needsFactor: Boolean(needsFactor),
    hasFactor: Boolean(hasFactor),
    factorRequired: Boolean(factorRequired),
  };
}

/** True where the browser that holds this token had the person signed in before. */
export async function isKnownDevice(work: Work, personId: number, tokenHash: string): Promise<boolean> {
  const rows = await tablesOf(work).select('SELECT id FROM known_devices WHERE token_hash = :tokenHash AND person_id = :personId', {
    tokenHash,
    personId,
  });
  return rows.length > 0;
}

export async function countRecoveryCodes(work: Work, personId: number): Promise<number> {
  const [row] = await tablesOf(work).select<{ count: number }>(
    'SELECT COUNT(*) AS count FROM recovery_codes WHERE person_id = :personId AND used_at IS NULL',
    { personId },
  );
  return row!.count;
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

/** A member of staff, as others see them. */
export interface Colleague extends Pick<Person, 'id' | 'name' | 'email' | 'role'> {
  readonly hasFactor: boolean;
  /** How many children on the caseload they lead. */
  readonly leads: number;
}

/** Everybody who works here, by name. */
export async function peopleHere(work: Work): Promise<readonly Colleague[]> {
  const rows = await tablesOf(work).select<Omit<Colleague, 'role' | 'hasFactor'> & { role: unknown; hasFactor: number }>(
    `SELECT p.id, p.name, p.email, p.role, p.factor_at IS NOT NULL AS hasFactor,
       (SELECT COUNT(*) FROM child_access a JOIN children c ON c.id = a.child_id WHERE a.person_id = p.id AND a.access = 'lead' AND c.left_on IS NULL) AS leads
     FROM people p WHERE p.closed_at IS NULL ORDER BY p.name, p.id`,
  );
  return rows.map((row) => ({ ...row, role: oneOf('role', ROLES, row.role), hasFactor: Boolean(row.hasFactor) }));
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
