import { calendarDay, type CalendarDay } from '@/core/calendar';
import { ACCESSES, ROLES, type Access, type Child, type Role } from '@/core/child';
import { HELP_LEVELS, type HelpLevel } from '@/core/sessions';
import { SKILLS, type Skill } from '@/core/vocabulary';
import { oneOf } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';
import { CHILD_COLUMNS, toChild, type ChildRow } from './row';

/** A child with what a person may do about it. */
export interface OwnChild {
  readonly child: Child;
  readonly access: Access;
}

type OwnRow = ChildRow & { readonly access: unknown };
const toOwn = (row: OwnRow): OwnChild => ({ child: toChild(row), access: oneOf('access', ACCESSES, row.access) });

/** Every child that is the person's own or shared with them. */
export async function childrenOf(work: Work, personId: number): Promise<OwnChild[]> {
  const rows = await tablesOf(work).select<OwnRow>(
    `SELECT ${CHILD_COLUMNS}, a.access FROM child_access a JOIN children c ON c.id = a.child_id JOIN schools s ON s.id = c.school_id
     WHERE a.person_id = :personId ORDER BY c.called_name, c.initial, c.id`,
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

export interface Goal {
  readonly id: number;
  readonly skill: Skill;
  readonly words: string;
  readonly baseline: string;
  readonly criterion: string;
  readonly mostHelp: HelpLevel;
  readonly reviewOn: CalendarDay;
}

export async function goalsOf(work: Work, childId: number): Promise<Goal[]> {
  const rows = await tablesOf(work).select<
    Omit<Goal, 'skill' | 'mostHelp' | 'reviewOn'> & { skill: unknown; mostHelp: unknown; reviewOn: string }
  >(
    'SELECT id, skill, words, baseline, criterion, most_help AS mostHelp, review_on AS reviewOn FROM goals WHERE child_id = :childId ORDER BY id',
    { childId },
  );
  return rows.map((row) => ({
    ...row,
    skill: oneOf('skill', SKILLS, row.skill),
    mostHelp: oneOf('most_help', HELP_LEVELS, row.mostHelp),
    reviewOn: calendarDay(row.reviewOn),
  }));
}

export interface Sharing {
  readonly name: string;
  readonly role: Role;
  readonly access: Access;
}

export async function sharingOf(work: Work, childId: number): Promise<Sharing[]> {
  const rows = await tablesOf(work).select<{ name: string; role: unknown; access: unknown }>(
    `SELECT p.name, p.role, a.access FROM child_access a JOIN people p ON p.id = a.person_id WHERE a.child_id = :childId
     ORDER BY FIELD(a.access, 'lead', 'shared', 'assist'), p.name`,
    { childId },
  );
  return rows.map(({ name, role, access }) => ({ name, role: oneOf('role', ROLES, role), access: oneOf('access', ACCESSES, access) }));
}
