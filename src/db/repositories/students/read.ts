import { z } from 'zod';
import type { Instant } from '@/core/calendar';
import { ACCESSES, ROLES, type Access, type Child, type FactChange, type Role } from '@/core/students';
import { oneOf, reading } from '../../rows/columns';
import { momentText, tablesOf, type Work } from '../../work';
import { CHILD_COLUMNS, toChild, type ChildRow } from './row';

/** A child with what a person may do about it. */
export interface OwnChild {
  readonly child: Child;
  readonly access: Access;
}

type OwnRow = ChildRow & { readonly access: unknown };
const toOwn = (row: OwnRow): OwnChild => ({ child: toChild(row), access: oneOf('access', ACCESSES, row.access) });

/** Every child that is the person's own or shared with them, on the caseload or, with `hasLeft`, off it. */
export async function childrenOf(work: Work, personId: number, { hasLeft = false } = {}): Promise<OwnChild[]> {
  const rows = await tablesOf(work).select<OwnRow>(
    `SELECT ${CHILD_COLUMNS}, a.access FROM child_access a JOIN children c ON c.id = a.child_id JOIN schools s ON s.id = c.school_id
     WHERE a.person_id = :personId AND c.left_on IS ${hasLeft ? 'NOT NULL' : 'NULL'} ORDER BY c.called_name, c.initial, c.id`,
    { personId },
  );
  return rows.map(toOwn);
}

/** The child and what the person may do, or null where the child is none of theirs. */
export async function childFor(work: Work, personId: number, childId: number): Promise<OwnChild | null> {
  const [row] = await tablesOf(work).select<OwnRow>(
    `SELECT ${CHILD_COLUMNS}, a.access FROM child_access a JOIN children c ON c.id = a.child_id JOIN schools s ON s.id = c.school_id
     WHERE a.person_id = :personId AND a.child_id = :childId`,
    { personId, childId },
  );
  return row ? toOwn(row) : null;
}

export async function childById(work: Work, childId: number): Promise<Child | null> {
  const [row] = await tablesOf(work).select<ChildRow>(
    `SELECT ${CHILD_COLUMNS} FROM children c JOIN schools s ON s.id = c.school_id WHERE c.id = :childId`,
    { childId },
  );
  return row ? toChild(row) : null;
}

export interface Sharing {
  readonly personId: number;
  readonly name: string;
  readonly role: Role;
  readonly access: Access;
}

export async function sharingOf(work: Work, childId: number): Promise<Sharing[]> {
  const rows = await tablesOf(work).select<{ personId: number; name: string; role: unknown; access: unknown }>(
    `SELECT p.id AS personId, p.name, p.role, a.access FROM child_access a JOIN people p ON p.id = a.person_id WHERE a.child_id = :childId
     ORDER BY FIELD(a.access, 'lead', 'shared', 'assist'), p.name`,
    { childId },
  );
  return rows.map(({ role, access, ...who }) => ({ ...who, role: oneOf('role', ROLES, role), access: oneOf('access', ACCESSES, access) }));
}

/** A change of a child's facts, with who and when. */
export interface ChildChange {
  readonly id: number;
  readonly changes: readonly FactChange[];
  readonly who: string;
  readonly changedAt: Instant;
}

const readChanges = reading<FactChange[]>(
  'changes',
  z.array(z.object({ fact: z.string(), before: z.unknown(), after: z.unknown() })) as unknown as z.ZodType<FactChange[]>,
);

/** The history of a child's facts, latest first. */
export async function childChangesOf(work: Work, childId: number, most: number): Promise<ChildChange[]> {
  const rows = await tablesOf(work).select<Omit<ChildChange, 'changes'> & { changes: unknown }>(
    `SELECT h.id, h.changes, p.name AS who, h.changed_at AS changedAt FROM child_changes h JOIN people p ON p.id = h.changed_by
     WHERE h.child_id = :childId ORDER BY h.id DESC LIMIT ${most}`,
    { childId },
  );
  return rows.map((row) => ({ ...row, changes: readChanges(row.changes) }));
}

/** For students whose facts changed since a moment, returns the newest change that established the hand, where one did. */
export async function factChangesSince(
  work: Work,
  childIds: readonly number[],
  since: Instant,
): Promise<readonly { readonly childId: number; readonly handChangeId: number | null }[]> {
  if (childIds.length === 0) return [];
  return tablesOf(work).select(
    `SELECT child_id AS childId, MAX(IF(JSON_SEARCH(changes, 'one', 'hand', NULL, '$[*].fact') IS NULL, NULL, id)) AS handChangeId
     FROM child_changes WHERE child_id IN (:childIds) AND changed_at >= :since GROUP BY child_id`,
    { childIds, since: momentText(since) },
  );
}

export interface HandOver {
  readonly from: string;
  readonly to: string;
  readonly note: string;
  readonly by: string;
  readonly at: Instant;
}

/** How a child came from one therapist to another, latest first. */
export async function handOversOf(work: Work, childId: number): Promise<HandOver[]> {
  return tablesOf(work).select(
    `SELECT f.name AS \`from\`, t.name AS \`to\`, h.note, b.name AS \`by\`, h.handed_at AS at FROM hand_overs h
     JOIN people f ON f.id = h.from_person JOIN people t ON t.id = h.to_person JOIN people b ON b.id = h.handed_by
     WHERE h.child_id = :childId ORDER BY h.id DESC`,
    { childId },
  );
}

/** The child of that name and birthday on the person's caseload or off it, by which a list taken in twice finds it again. */
export async function sameChildOf(
  work: Work,
  personId: number,
  { calledName, initial, bornOn }: Pick<Child, 'calledName' | 'initial' | 'bornOn'>,
): Promise<number | null> {
  const [row] = await tablesOf(work).select<{ id: number }>(
    `SELECT c.id FROM child_access a JOIN children c ON c.id = a.child_id
     WHERE a.person_id = :personId AND a.access = 'lead' AND c.called_name = :calledName AND c.initial = :initial AND c.born_on = :bornOn LIMIT 1`,
    { personId, calledName, initial, bornOn },
  );
  return row?.id ?? null;
}
