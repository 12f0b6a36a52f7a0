import type { Child } from '@/core/child';
import type { Skill } from '@/core/vocabulary';
import type { HelpLevel } from '@/core/sessions';
import { toChild, type ChildRow } from '../mappers/childRow';
import type { Work } from '../work';

export type Access = 'lead' | 'shared' | 'assist';

const COLUMNS = `c.id, c.called_name, c.initial, s.name AS school, s.visit_days, c.born_on, c.hand, c.mouths_things, c.scissors_allowed,
  c.has_printer, c.minutes_per_day, c.family_language, c.home_languages, c.allergies, c.textures_avoided, c.materials_at_home,
  c.helpers, c.report_way, c.time_zone, c.task_settings`;

/** Every child that is the person's own or shared with them. */
export async function childrenOf(work: Work, personId: number): Promise<Child[]> {
  const rows = await work.select<ChildRow>(
    `SELECT ${COLUMNS} FROM child_access a JOIN children c ON c.id = a.child_id JOIN schools s ON s.id = c.school_id
     WHERE a.person_id = :personId ORDER BY c.called_name, c.initial, c.id`,
    { personId },
  );
  return rows.map(toChild);
}

/** The child and what the person may do, or null where the child is none of theirs. */
export async function childFor(work: Work, personId: number, childId: number): Promise<{ child: Child; access: Access } | null> {
  const [row] = await work.select<ChildRow & { access: Access }>(
    `SELECT ${COLUMNS}, a.access FROM child_access a JOIN children c ON c.id = a.child_id JOIN schools s ON s.id = c.school_id
     WHERE a.person_id = :personId AND a.child_id = :childId`,
    { personId, childId },
  );
  return row ? { child: toChild(row), access: row.access } : null;
}

export async function childById(work: Work, childId: number): Promise<Child | null> {
  const [row] = await work.select<ChildRow>(
    `SELECT ${COLUMNS} FROM children c JOIN schools s ON s.id = c.school_id WHERE c.id = :childId`,
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
  readonly reviewOn: string;
}

export async function goalsOf(work: Work, childId: number): Promise<Goal[]> {
  return work.select<Goal>(
    `SELECT id, skill, words, baseline, criterion, most_help AS mostHelp, review_on AS reviewOn FROM goals WHERE child_id = :childId ORDER BY id`,
    { childId },
  );
}

export async function sharingOf(work: Work, childId: number): Promise<{ name: string; role: string; access: Access }[]> {
  return work.select(
    `SELECT p.name, p.role, a.access FROM child_access a JOIN people p ON p.id = a.person_id WHERE a.child_id = :childId
     ORDER BY FIELD(a.access, 'lead', 'shared', 'assist'), p.name`,
    { childId },
  );
}

/** Counts of what a deletion takes along, then the deletion itself. */
export async function deleteChild(work: Work, childId: number): Promise<{ reports: number; versions: number; messages: number }> {
  const [counts] = await work.select<{ reports: number; versions: number; messages: number }>(
    `SELECT (SELECT COUNT(*) FROM reports WHERE child_id = :childId) AS reports,
       (SELECT COUNT(*) FROM program_versions v JOIN programs p ON p.id = v.program_id WHERE p.child_id = :childId) AS versions,
       (SELECT COUNT(*) FROM messages WHERE child_id = :childId) AS messages`,
    { childId },
  );
  await work.remove('children', { id: childId });
  return counts!;
}
