import { type GradeChange, type ProgramTask, type ProgramVersion, type SentVersion, contentFor, type TaskChoices } from '@/core/program';
import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import type { Dose } from '@/core/dose';
import type { Part } from '@/core/vocabulary';
import { groupBy } from '@/core/groupBy';
import type { Work } from '../work';
import { taskContents } from './tasks';

interface VersionTaskRow {
  child_id: number;
  program_id: number;
  number: number;
  starts_on: string;
  ends_on: string;
  sent_on: string;
  note: string;
  id: number;
  task_id: number;
  task_version_id: number;
  part: Part;
  step: number;
  choose_from: number;
  choose_to: number;
  weekdays: number[];
  dose: Dose;
  target: number;
  step_since_version: number;
  choices: TaskChoices;
}

const VERSION_TASKS = `SELECT p.child_id, v.program_id, v.number, v.starts_on, v.ends_on, v.sent_on, v.note, t.id, t.task_id, t.task_version_id,
  t.part, t.step, t.choose_from, t.choose_to, t.weekdays, t.dose, t.target, t.step_since_version, t.choices
  FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id`;

/** The version in force of each child's program, by child. Children without one are left out. */
export async function currentVersions(work: Work, childIds: readonly number[]): Promise<Map<number, ProgramVersion>> {
  if (childIds.length === 0) return new Map();
  const rows = await work.select<VersionTaskRow>(
    `${VERSION_TASKS} WHERE p.child_id IN (:childIds) AND v.number = p.current_version ORDER BY p.child_id, t.position`,
    { childIds },
  );
  return toVersions(work, rows);
}

/** One version of a child's program, by its number, or null. */
export async function versionOf(work: Work, childId: number, number: number): Promise<ProgramVersion | null> {
  const rows = await work.select<VersionTaskRow>(
    `${VERSION_TASKS} WHERE p.child_id = :childId AND v.number = :number ORDER BY t.position`,
    {
      childId,
      number,
    },
  );
  return (await toVersions(work, rows)).get(childId) ?? null;
}

async function toVersions(work: Work, rows: readonly VersionTaskRow[]): Promise<Map<number, ProgramVersion>> {
  const contents = await taskContents(
    work,
    rows.map((row) => row.task_version_id),
  );
  const byChild = groupBy(rows, (row) => row.child_id);
  return new Map(
    [...byChild].map(([childId, own]) => {
      const first = own[0]!;
      const tasks = own.map((row): ProgramTask => ({
        versionTaskId: row.id,
        taskId: row.task_id,
        taskVersionId: row.task_version_id,
        content: contentFor(contents.get(row.task_version_id)!, row.choices),
        choices: row.choices,
        part: row.part,
        step: row.step,
        chooseFrom: row.choose_from,
        chooseTo: row.choose_to,
        weekdays: row.weekdays,
        dose: row.dose,
        target: row.target,
        stepSinceVersion: row.step_since_version,
      }));
      const version: ProgramVersion = {
        programId: first.program_id,
        number: first.number,
        startsOn: calendarDay(first.starts_on),
        endsOn: calendarDay(first.ends_on),
        sentOn: calendarDay(first.sent_on),
        note: first.note,
        tasks,
      };
      return [childId, version];
    }),
  );
}

/** What was planned since a day: the versions that still held on it or came after, by child. */
export async function versionsSince(work: Work, childIds: readonly number[], since: CalendarDay): Promise<Map<number, SentVersion[]>> {
  if (childIds.length === 0) return new Map();
  const rows = await work.select<
    Pick<VersionTaskRow, 'child_id' | 'number' | 'starts_on' | 'ends_on' | 'sent_on' | 'task_id' | 'weekdays' | 'target'>
  >(
    `SELECT p.child_id, v.number, v.starts_on, v.ends_on, v.sent_on, t.task_id, t.weekdays, t.target
     FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id
     WHERE p.child_id IN (:childIds) AND v.ends_on >= :since
       AND v.number >= COALESCE((SELECT MAX(e.number) FROM program_versions e WHERE e.program_id = p.id AND e.sent_on <= :since), 0)`,
    { childIds, since },
  );
  const byChild = groupBy(rows, (row) => row.child_id);
  return new Map(
    [...byChild].map(([childId, own]) => [
      childId,
      [...groupBy(own, (row) => row.number)].map(([number, tasks]): SentVersion => ({
        number,
        startsOn: calendarDay(tasks[0]!.starts_on),
        endsOn: calendarDay(tasks[0]!.ends_on),
        sentOn: calendarDay(tasks[0]!.sent_on),
        tasks: tasks.map((row) => ({ taskId: row.task_id, weekdays: row.weekdays, target: row.target })),
      })),
    ]),
  );
}

export interface RecordedChange extends GradeChange {
  readonly id: number;
  readonly childId: number;
  readonly versionNumber: number;
  readonly why: string;
  readonly changedBy: string;
  readonly changedAt: Instant;
}

/** The whole grade history of the children, oldest first. */
export async function gradeChanges(work: Work, childIds: readonly number[]): Promise<RecordedChange[]> {
  if (childIds.length === 0) return [];
  return work.select<RecordedChange>(
    `SELECT g.id, g.child_id AS childId, g.task_id AS taskId, g.version_number AS versionNumber, g.from_step AS fromStep, g.to_step AS toStep,
       g.why, p.name AS changedBy, g.changed_at AS changedAt, g.changed_on AS changedOn
     FROM grade_changes g JOIN people p ON p.id = g.changed_by WHERE g.child_id IN (:childIds) ORDER BY g.id`,
    { childIds },
  );
}

/** The child's program, locked until the transaction ends, so that two senders meet here. Made where there is none. */
export async function lockProgram(work: Work, childId: number, at: Instant): Promise<{ programId: number; currentVersion: number }> {
  await work.select('SELECT id FROM children WHERE id = :childId FOR UPDATE', { childId });
  const [row] = await work.select<{ id: number; current_version: number }>(
    'SELECT id, current_version FROM programs WHERE child_id = :childId FOR UPDATE',
    { childId },
  );
  if (row) return { programId: row.id, currentVersion: row.current_version };
  return { programId: await work.insert('programs', { child_id: childId, current_version: 0, created_at: at }), currentVersion: 0 };
}

export interface NewVersion {
  readonly programId: number;
  readonly number: number;
  readonly startsOn: CalendarDay;
  readonly endsOn: CalendarDay;
  readonly note: string;
  readonly reason: 'sent' | 'regrade' | 'undo';
  readonly sentBy: number;
  readonly sentAt: Instant;
  readonly sentOn: CalendarDay;
  readonly tasks: readonly Omit<ProgramTask, 'versionTaskId' | 'content'>[];
}

/** Writes a frozen version and makes it the one in force. */
export async function addVersion(work: Work, version: NewVersion): Promise<number> {
  const id = await work.insert('program_versions', {
    program_id: version.programId,
    number: version.number,
    starts_on: version.startsOn,
    ends_on: version.endsOn,
    note: version.note,
    reason: version.reason,
    sent_by: version.sentBy,
    sent_at: version.sentAt,
    sent_on: version.sentOn,
  });
  await work.insertAll(
    'version_tasks',
    version.tasks.map((task, position) => ({
      program_version_id: id,
      task_id: task.taskId,
      task_version_id: task.taskVersionId,
      position,
      part: task.part,
      step: task.step,
      choose_from: task.chooseFrom,
      choose_to: task.chooseTo,
      weekdays: task.weekdays,
      dose: task.dose,
      target: task.target,
      step_since_version: task.stepSinceVersion,
      choices: task.choices,
    })),
  );
  await work.update('programs', { current_version: version.number }, { id: version.programId });
  return id;
}

export async function draftOf(work: Work, childId: number): Promise<{ content: unknown; savedAt: Instant } | null> {
  const [row] = await work.select<{ content: unknown; savedAt: Instant }>(
    'SELECT content, saved_at AS savedAt FROM program_drafts WHERE child_id = :childId',
    { childId },
  );
  return row ?? null;
}

export async function saveDraft(work: Work, childId: number, content: object, savedBy: number, savedAt: Instant): Promise<void> {
  await work.remove('program_drafts', { child_id: childId });
  await work.insert('program_drafts', { child_id: childId, content, saved_by: savedBy, saved_at: savedAt });
}
