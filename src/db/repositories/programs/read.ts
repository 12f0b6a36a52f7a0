import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import { unitOf } from '@/core/dose';
import { groupBy } from '@/core/groupBy';
import { givenTask, type GradeChange, type ProgramTask, type ProgramVersion, type SentVersion } from '@/core/programs';
import type { Suggestion } from '@/core/stepRules';
import type { SkinChange } from '@/core/progress';
import type { LocalText } from '@/core/text';
import { PARTS, SKINS } from '@/core/vocabulary';
import { oneOf, readChoices, readDose, readSuggestion, readWeekdays } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';
import { taskContents } from '../tasks';

interface VersionTaskRow {
  readonly child_id: number;
  readonly program_id: number;
  readonly number: number;
  readonly starts_on: string;
  readonly ends_on: string;
  readonly sent_on: string;
  readonly resumes_on: string | null;
  readonly is_ended: number;
  readonly note: string;
  readonly id: number;
  readonly task_id: number;
  readonly taskVersionId: number;
  readonly contentHash: string;
  readonly part: unknown;
  readonly step: number;
  readonly choose_from: number;
  readonly choose_to: number;
  readonly weekdays: unknown;
  readonly dose: unknown;
  readonly target: number | null;
  readonly step_since_version: number;
  readonly choices: unknown;
}

const VERSION_TASKS = `SELECT p.child_id, v.program_id, v.number, v.starts_on, v.ends_on, v.sent_on, v.resumes_on, v.is_ended, v.note, t.id, t.task_id, t.task_version_id AS taskVersionId,
  k.content_hash AS contentHash, t.part, t.step, t.choose_from, t.choose_to, t.weekdays, t.dose, t.target, t.step_since_version, t.choices
  FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id
  JOIN task_versions k ON k.id = t.task_version_id`;

/** The newest version of each child's program, by child. Children without one are left out. */
export async function currentVersions(work: Work, childIds: readonly number[]): Promise<Map<number, ProgramVersion>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<VersionTaskRow>(
    `${VERSION_TASKS} WHERE p.child_id IN (:childIds) AND v.number = p.current_version ORDER BY p.child_id, t.position`,
    { childIds },
  );
  return toVersions(work, rows);
}

/**
 * The version that holds on a day, as the family's page shows it: the newest that has begun and was sent by then, so that what was done
 * before a step was changed is of the step of that day; where none had been sent yet, the newest that has begun; else the newest of all, which is yet to
 * begin. Null where nothing was sent.
 */
export async function versionHolding(work: Work, childId: number, day: CalendarDay): Promise<ProgramVersion | null> {
  const rows = await tablesOf(work).select<VersionTaskRow>(
    `${VERSION_TASKS} WHERE p.child_id = :childId AND v.number = (
       SELECT e.number FROM program_versions e WHERE e.program_id = p.id ORDER BY (e.starts_on <= :day) + (e.starts_on <= :day AND e.sent_on <= :day) DESC, e.number DESC LIMIT 1)
     ORDER BY t.position`,
    { childId, day },
  );
  return (await toVersions(work, rows)).get(childId) ?? null;
}

/** Returns a version of a student's program by its number, or null. */
export async function versionOf(work: Work, childId: number, number: number): Promise<ProgramVersion | null> {
  const rows = await tablesOf(work).select<VersionTaskRow>(
    `${VERSION_TASKS} WHERE p.child_id = :childId AND v.number = :number ORDER BY t.position`,
    { childId, number },
  );
  return (await toVersions(work, rows)).get(childId) ?? null;
}

async function toVersions(work: Work, rows: readonly VersionTaskRow[]): Promise<Map<number, ProgramVersion>> {
  const contents = await taskContents(work, rows);
  const byChild = groupBy(rows, (row) => row.child_id);
  return new Map(
    [...byChild].map(([childId, own]): [number, ProgramVersion] => {
      const first = own[0]!;
      return [
        childId,
        {
          programId: first.program_id,
          number: first.number,
          startsOn: calendarDay(first.starts_on),
          endsOn: calendarDay(first.ends_on),
          sentOn: calendarDay(first.sent_on),
          ...restColumns(first),
          note: first.note,
          tasks: own.map((row): ProgramTask => {
            const choices = readChoices(row.choices);
            return {
              versionTaskId: row.id,
              taskId: row.task_id,
              taskVersionId: row.taskVersionId,
              content: givenTask(contents.get(row.taskVersionId)!, choices),
              choices,
              part: oneOf('part', PARTS, row.part),
              step: row.step,
              chooseFrom: row.choose_from,
              chooseTo: row.choose_to,
              weekdays: readWeekdays(row.weekdays),
              dose: readDose(row.dose),
              target: row.target,
              stepSinceVersion: row.step_since_version,
            };
          }),
        },
      ];
    }),
  );
}

type RestRow = 'resumes_on' | 'is_ended';

function restColumns({ resumes_on, is_ended }: Pick<VersionTaskRow, RestRow>): Pick<ProgramVersion, 'resumesOn' | 'isEnded'> {
  return { resumesOn: resumes_on === null ? null : calendarDay(resumes_on), isEnded: is_ended === 1 };
}

/** The number of the version that a decision made; null where it made none. */
export async function versionOfDecision(work: Work, decisionId: number): Promise<number | null> {
  const [row] = await tablesOf(work).select<{ number: number }>('SELECT number FROM program_versions WHERE decision_id = :decisionId', {
    decisionId,
  });
  return row?.number ?? null;
}

/** Lists the versions in force since a day: those that still held on it or came after, by student. */
export async function versionsSince(work: Work, childIds: readonly number[], since: CalendarDay): Promise<Map<number, SentVersion[]>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<
    Pick<VersionTaskRow, RestRow | 'child_id' | 'number' | 'starts_on' | 'ends_on' | 'sent_on' | 'task_id' | 'weekdays' | 'target'> & {
      kind: unknown;
    }
  >(
    `SELECT p.child_id, v.number, v.starts_on, v.ends_on, v.sent_on, v.resumes_on, v.is_ended, t.task_id, t.weekdays, t.target, COALESCE(JSON_VALUE(t.dose, CONCAT('$.atSteps."', t.step, '".target.kind')), JSON_VALUE(t.dose, '$.target.kind')) AS kind
     FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id
     WHERE p.child_id IN (:childIds) AND v.ends_on >= :since
       AND v.number >= COALESCE((SELECT MAX(e.number) FROM program_versions e WHERE e.program_id = p.id AND GREATEST(e.sent_on, e.starts_on) <= :since), 0)`,
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
        ...restColumns(tasks[0]!),
        tasks: tasks.map((row) => ({
          taskId: row.task_id,
          weekdays: readWeekdays(row.weekdays),
          target: row.target,
          unit: unitOf({ kind: oneOf('dose', ['count', 'time', 'untilDone', 'hold', 'watch'], row.kind) }),
        })),
      })),
    ]),
  );
}

/** A task that was given to a child, as its newest version says it. */
export interface GivenTask {
  readonly taskId: number;
  readonly skill: string;
  readonly title: LocalText;
}

/** The tasks of all versions that still held on a day or came after, each once. */
export async function tasksGivenSince(work: Work, childId: number, since: CalendarDay): Promise<GivenTask[]> {
  const rows = await tablesOf(work).select<Omit<GivenTask, 'title'> & { readonly title: unknown }>(
    `SELECT k.task_id AS taskId, JSON_VALUE(k.content, '$.skill') AS skill, JSON_EXTRACT(k.content, '$.title') AS title FROM task_versions k JOIN (
       SELECT MAX(t.task_version_id) AS id FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id
       WHERE p.child_id = :childId AND v.ends_on >= :since GROUP BY t.task_id) newest ON newest.id = k.id ORDER BY k.task_id`,
    { childId, since },
  );
  return rows.map((row) => ({ ...row, title: (typeof row.title === 'string' ? JSON.parse(row.title) : row.title) as LocalText }));
}

/** When a child was given a task in another skin than before, oldest first. */
export async function skinChanges(work: Work, childId: number): Promise<SkinChange[]> {
  const rows = await tablesOf(work).select<{ taskId: number; skin: string; from: string }>(
    `SELECT t.task_id AS taskId, COALESCE(JSON_VALUE(t.choices, '$.skin'), :usual) AS skin, GREATEST(v.starts_on, v.sent_on) AS \`from\`
     FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id
     WHERE p.child_id = :childId ORDER BY t.task_id, v.number`,
    { childId, usual: SKINS[0] },
  );
  return rows
    .filter(({ taskId, skin }, index) => rows[index - 1]?.taskId === taskId && rows[index - 1]!.skin !== skin)
    .map((row) => ({ ...row, from: calendarDay(row.from) }));
}

/** The tasks of each version of a child's program, in their order, oldest first. */
export async function tasksByVersion(work: Work, childId: number): Promise<readonly (readonly number[])[]> {
  const rows = await tablesOf(work).select<{ number: number; taskId: number }>(
    `SELECT v.number, t.task_id AS taskId FROM programs p JOIN program_versions v ON v.program_id = p.id
     JOIN version_tasks t ON t.program_version_id = v.id WHERE p.child_id = :childId ORDER BY v.number, t.position`,
    { childId },
  );
  return [...groupBy(rows, ({ number }) => number).values()].map((own) => own.map(({ taskId }) => taskId));
}

/** Why a step changed: a code; what a person wrote and what a rule counted stand beside it. */
export const CHANGE_CAUSES = ['placed', 'setInBuilder', 'suggestion', 'decided', 'takenBack'] as const;
export type ChangeCause = (typeof CHANGE_CAUSES)[number];

export interface RecordedChange extends GradeChange {
  readonly id: number;
  readonly childId: number;
  readonly versionNumber: number;
  readonly cause: ChangeCause;
  /** The person's own words; empty where none were asked for. */
  readonly reason: string;
  /** Counts of the rule, where a suggestion was followed or not. */
  readonly suggestion: Suggestion | null;
  readonly changedBy: string;
  readonly changedAt: Instant;
}

/** The whole grade history of the children, oldest first. */
export async function gradeChanges(work: Work, childIds: readonly number[]): Promise<RecordedChange[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<
    Omit<RecordedChange, 'cause' | 'suggestion' | 'changedOn'> & { cause: unknown; suggestion: unknown; changedOn: string }
  >(
    `SELECT g.id, g.child_id AS childId, g.task_id AS taskId, g.version_number AS versionNumber, g.from_step AS fromStep, g.to_step AS toStep,
       g.cause, g.reason, d.suggestion, p.name AS changedBy, g.changed_at AS changedAt, g.changed_on AS changedOn
     FROM grade_changes g JOIN people p ON p.id = g.changed_by LEFT JOIN decisions d ON d.id = g.decision_id
     WHERE g.child_id IN (:childIds) ORDER BY g.id`,
    { childIds },
  );
  return rows.map((row) => ({
    ...row,
    cause: oneOf('cause', CHANGE_CAUSES, row.cause),
    suggestion: readSuggestion(row.suggestion),
    changedOn: calendarDay(row.changedOn),
  }));
}

export interface ChangeOfDecision {
  readonly taskId: number;
  readonly fromStep: number;
  readonly toStep: number;
  readonly versionNumber: number;
}

export async function changeOfDecision(work: Work, decisionId: number): Promise<ChangeOfDecision | null> {
  const [row] = await tablesOf(work).select<ChangeOfDecision>(
    'SELECT task_id AS taskId, from_step AS fromStep, to_step AS toStep, version_number AS versionNumber FROM grade_changes WHERE decision_id = :decisionId',
    { decisionId },
  );
  return row ?? null;
}

/** As it was kept: the reader parses it by the form of a draft. */
export async function draftOf(work: Work, childId: number): Promise<{ content: unknown; savedAt: Instant } | null> {
  const [row] = await tablesOf(work).select<{ content: unknown; savedAt: Instant }>(
    'SELECT content, saved_at AS savedAt FROM program_drafts WHERE child_id = :childId',
    { childId },
  );
  return row ?? null;
}

export interface PrintedLog {
  readonly number: number;
  readonly printedAt: Instant;
}

/** The versions of a child's program that went home on paper, newest first. */
export async function printedLogs(work: Work, childId: number): Promise<PrintedLog[]> {
  return tablesOf(work).select(
    `SELECT v.number, v.printed_at AS printedAt FROM program_versions v JOIN programs p ON p.id = v.program_id
     WHERE p.child_id = :childId AND v.printed_at IS NOT NULL ORDER BY v.number DESC`,
    { childId },
  );
}

/**
 * Lists those of these students whose newest version was never printed, or was printed with a task that is on hold since, and that
 * still asks for something.
 */
export async function unprintedOf(work: Work, childIds: readonly number[], today: CalendarDay): Promise<number[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<{ childId: number }>(
    `SELECT p.child_id AS childId FROM programs p JOIN program_versions v ON v.program_id = p.id AND v.number = p.current_version
     WHERE p.child_id IN (:childIds) AND v.is_ended = 0
       AND (v.printed_at IS NULL OR EXISTS (SELECT 1 FROM reports r WHERE r.child_id = p.child_id AND r.holds = 1 AND r.said_at > v.printed_at)) AND v.ends_on >= :today`,
    { childIds, today },
  );
  return rows.map(({ childId }) => childId);
}
