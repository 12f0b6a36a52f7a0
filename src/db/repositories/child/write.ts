import type { CalendarDay, Instant } from '@/core/calendar';
import type { Access, Child } from '@/core/child';
import type { HelpLevel } from '@/core/sessions';
import type { TaskSettings } from '@/core/tasks';
import type { Skill } from '@/core/vocabulary';
import { tablesOf, type Work } from '../../work';

/** A child's facts as they are first written down. */
export interface NewChild extends Omit<Child, 'id' | 'school' | 'visitDays'> {
  readonly schoolId: number;
}

export async function addChild(work: Work, child: NewChild, at: Instant): Promise<number> {
  return tablesOf(work).insert('children', {
    called_name: child.calledName,
    initial: child.initial,
    school_id: child.schoolId,
    born_on: child.bornOn,
    hand: child.hand,
    mouths_things: child.mouthsThings,
    scissors_allowed: child.scissorsAllowed,
    has_printer: child.hasPrinter,
    minutes_per_day: child.minutesPerDay,
    family_language: child.familyLanguage,
    home_languages: child.homeLanguages,
    allergies: child.allergies,
    textures_avoided: child.texturesAvoided,
    materials_at_home: child.materialsAtHome,
    task_settings: child.taskSettings,
    helpers: child.helpers,
    report_way: child.reportWay,
    time_zone: child.timeZone,
    created_at: at,
  });
}

export async function giveAccess(work: Work, childId: number, personId: number, access: Access): Promise<void> {
  await tablesOf(work).insert('child_access', { child_id: childId, person_id: personId, access });
}

export interface NewGoal {
  readonly skill: Skill;
  readonly words: string;
  readonly baseline: string;
  readonly criterion: string;
  readonly mostHelp: HelpLevel;
  readonly reviewOn: CalendarDay;
}

export async function addGoal(work: Work, childId: number, goal: NewGoal): Promise<number> {
  const { skill, words, baseline, criterion, mostHelp, reviewOn } = goal;
  return tablesOf(work).insert('goals', { child_id: childId, skill, words, baseline, criterion, most_help: mostHelp, review_on: reviewOn });
}

/** What a home has, and how the child's tasks are done where schools differ. */
export async function changeHomeOf(
  work: Work,
  childId: number,
  taskSettings: TaskSettings,
  materialsAtHome: readonly string[],
): Promise<void> {
  await tablesOf(work).update('children', { task_settings: taskSettings, materials_at_home: materialsAtHome }, { id: childId });
}

/** What a deletion took along. */
export interface DeletedCounts {
  readonly reports: number;
  readonly versions: number;
  readonly messages: number;
}

/** Counts of what a deletion takes along, then the deletion itself. */
export async function deleteChild(work: Work, childId: number): Promise<DeletedCounts> {
  const tables = tablesOf(work);
  const [counts] = await tables.select<DeletedCounts>(
    `SELECT (SELECT COUNT(*) FROM reports WHERE child_id = :childId) AS reports,
       (SELECT COUNT(*) FROM program_versions v JOIN programs p ON p.id = v.program_id WHERE p.child_id = :childId) AS versions,
       (SELECT COUNT(*) FROM messages WHERE child_id = :childId) AS messages`,
    { childId },
  );
  await tables.remove('children', { id: childId });
  return counts!;
}
