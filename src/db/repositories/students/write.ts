import type { CalendarDay, Instant } from '@/core/calendar';
import type { Access, Child, ChildRecord, FactChange } from '@/core/students';
import type { TaskSettings } from '@/core/tasks';
import { tablesOf, type Work } from '../../work';

/** A child's facts as they are first written down. */
export interface NewChild extends Omit<Child, 'id' | 'school' | 'visitDays' | 'leftOn'> {
  readonly schoolId: number;
}

const recordColumns = (record: ChildRecord) => ({
  called_name: record.calledName,
  initial: record.initial,
  born_on: record.bornOn,
  hand: record.hand,
  leaning_hand: record.leaningHand,
  mouths_things: record.mouthsThings,
  scissors_allowed: record.scissorsAllowed,
  has_printer: record.hasPrinter,
  minutes_per_day: record.minutesPerDay,
  practice_weekdays: record.practiceWeekdays,
  family_language: record.familyLanguage,
  home_languages: record.homeLanguages,
  allergies: record.allergies,
  textures_avoided: record.texturesAvoided,
  precautions: record.precautions,
  materials_at_home: record.materialsAtHome,
  helpers: record.helpers,
  likes: record.likes,
  dislikes: record.dislikes,
  ends_well: record.endsWell,
  themes_not_wanted: record.themesNotWanted,
  report_way: record.reportWay,
  contacts: record.contacts,
  teacher: record.teacher,
});

export async function addChild(work: Work, child: NewChild, at: Instant): Promise<number> {
  return tablesOf(work).insert('children', {
    ...recordColumns(child),
    school_id: child.schoolId,
    task_settings: child.taskSettings,
    time_zone: child.timeZone,
    created_at: at,
  });
}

export async function changeRecordOf(work: Work, childId: number, record: ChildRecord, schoolId: number): Promise<void> {
  await tablesOf(work).update('children', { ...recordColumns(record), school_id: schoolId }, { id: childId });
}

export interface NewChildChange {
  readonly childId: number;
  readonly changes: readonly FactChange[];
  readonly changedBy: number;
  readonly changedAt: Instant;
}

/** Keeps what changed of a child's facts, with who and when. */
export async function addChildChange(work: Work, { childId, changes, changedBy, changedAt }: NewChildChange): Promise<number> {
  return tablesOf(work).insert('child_changes', { child_id: childId, changes, changed_by: changedBy, changed_at: changedAt });
}

/** Off the caseload from a day on, or, with null, on it again. */
export async function setLeftOn(work: Work, childId: number, day: CalendarDay | null): Promise<void> {
  await tablesOf(work).update('children', { left_on: day }, { id: childId });
}

export async function giveAccess(work: Work, childId: number, personId: number, access: Access): Promise<void> {
  await tablesOf(work).insert('child_access', { child_id: childId, person_id: personId, access });
}

/** False where the person had none. */
export async function removeAccess(work: Work, childId: number, personId: number): Promise<boolean> {
  return (await tablesOf(work).remove('child_access', { child_id: childId, person_id: personId })) > 0;
}

export interface NewHandOver {
  readonly childId: number;
  readonly fromPerson: number;
  readonly toPerson: number;
  readonly note: string;
  readonly handedBy: number;
  readonly handedAt: Instant;
}

export async function addHandOver(work: Work, handOver: NewHandOver): Promise<void> {
  const { childId, fromPerson, toPerson, note, handedBy, handedAt } = handOver;
  const who = { from_person: fromPerson, to_person: toPerson, handed_by: handedBy };
  await tablesOf(work).insert('hand_overs', { child_id: childId, ...who, note, handed_at: handedAt });
}

/** Changes the home's things, and how the student's tasks are done where schools differ. */
export async function changeHomeOf(
  work: Work,
  childId: number,
  taskSettings: TaskSettings,
  materialsAtHome: readonly string[],
): Promise<void> {
  await tablesOf(work).update('children', { task_settings: taskSettings, materials_at_home: materialsAtHome }, { id: childId });
}

/** Rows deleted, by kind. */
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

/** Two who change one child at the same moment meet here. */
export async function lockChild(work: Work, childId: number): Promise<void> {
  await tablesOf(work).select('SELECT id FROM children WHERE id = :childId FOR UPDATE', { childId });
}
