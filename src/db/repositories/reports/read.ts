import type { PracticeReport } from '@/core/adherence';
import type { CalendarDay, Instant } from '@/core/calendar';
import { groupBy } from '@/core/groupBy';
import type { Watched } from '@/core/vocabulary';
import type { TaskChoices } from '@/core/programs';
import { DANGERS, type Danger } from '@/core/safety';
import { EFFORTS, REPORT_WAYS, STOP_REASONS, type DatedSession, type ReportWay } from '@/core/reports';
import { HELP_LEVELS } from '@/core/vocabulary';
import { oneOf, oneOfOrNull, readChoices, readTextOfReport, readWatched, type TextOfReport } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

/** Amount that counts towards the target, whichever way it was counted; NULL where none was reported. */
const AMOUNT = `CAST(IF(COALESCE(r.left_count, r.right_count, r.amount) IS NULL, NULL,
  COALESCE(r.left_count, 0) + COALESCE(r.right_count, 0) + COALESCE(r.amount, 0)) AS DOUBLE)`;

/** Daily target of the step that was practiced. Early versions have one target for all their steps. */
const TARGET = "IF(t.step_targets IS NULL, t.target, CAST(JSON_VALUE(t.step_targets, CONCAT('$[', r.step - 1, ']')) AS DOUBLE))";

/** Returns the practice dots' part of each report since a day, by student. */
export async function practiceSince(work: Work, childIds: readonly number[], since: CalendarDay): Promise<Map<number, PracticeReport[]>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<Omit<PracticeReport, 'done'> & { childId: number; done: number }>(
    `SELECT r.child_id AS childId, r.task_id AS taskId, r.done_on AS doneOn, r.done, ${AMOUNT} AS amount, ${TARGET} AS target
     FROM reports r JOIN version_tasks t ON t.id = r.version_task_id WHERE r.child_id IN (:childIds) AND r.done_on >= :since AND r.mistake = 0 AND r.danger IS NULL`,
    { childIds, since },
  );
  return groupBy(
    rows.map((row): PracticeReport & { childId: number } => Object.assign(row, { done: Boolean(row.done) })),
    (row) => row.childId,
  );
}

/** The latest day that each child has word of. */
export async function lastWords(work: Work, childIds: readonly number[]): Promise<Map<number, CalendarDay>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<{ childId: number; lastOn: CalendarDay }>(
    'SELECT child_id AS childId, MAX(done_on) AS lastOn FROM reports WHERE child_id IN (:childIds) GROUP BY child_id',
    { childIds },
  );
  return new Map(rows.map((row) => [row.childId, row.lastOn]));
}

export interface SessionRow extends DatedSession {
  readonly childId: number;
  readonly taskId: number;
}

type RawSession = Omit<SessionRow, 'done' | 'safetyWord' | 'help' | 'effort' | 'stopReason'> & {
  readonly done: number;
  readonly safetyWord: number;
  readonly help: unknown;
  readonly effort: unknown;
  readonly stopReason: unknown;
};

const SESSION = `r.id AS reportId, r.child_id AS childId, r.task_id AS taskId, r.done_on AS doneOn, r.step, r.done, ${AMOUNT} AS amount, r.minutes, r.help, r.effort,
  r.stop_reason AS stopReason, r.safety_word AS safetyWord, v.number AS versionNumber, ${TARGET} AS target`;
const FROM_REPORTS =
  'FROM reports r JOIN version_tasks t ON t.id = r.version_task_id JOIN program_versions v ON v.id = t.program_version_id';

/** Made of the row itself: a screen reads thousands, and a spread copy of so many columns takes twenty times as long. */
function toSession<Row extends RawSession>(row: Row): Row & SessionRow {
  return Object.assign(row, {
    done: Boolean(row.done),
    safetyWord: Boolean(row.safetyWord),
    help: oneOfOrNull('help', HELP_LEVELS, row.help),
    effort: oneOfOrNull('effort', EFFORTS, row.effort),
    stopReason: oneOfOrNull('stop_reason', STOP_REASONS, row.stopReason),
  }) as Row & SessionRow;
}

/** Columns that the evidence index covers: the rows themselves are not looked up. */
const EVIDENCE = `r.id AS reportId, r.child_id AS childId, r.task_id AS taskId, r.done_on AS doneOn, r.step, r.done, ${AMOUNT} AS amount, r.minutes, r.help, r.effort,
  r.stop_reason AS stopReason, r.safety_word AS safetyWord, r.version_task_id AS versionTaskId`;

type RawEvidence = Omit<RawSession, 'versionNumber' | 'target'> & { readonly versionTaskId: number };

/** Sessions at the step that each current task stands on, since that step was set and since a day: all that a rule looks at. */
export async function sessionsAtPresentSteps(work: Work, childIds: readonly number[], since: CalendarDay): Promise<SessionRow[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<RawEvidence & { readonly sinceVersion: number }>(
    `SELECT ${EVIDENCE}, ct.step_since_version AS sinceVersion FROM programs p
     JOIN program_versions cv ON cv.program_id = p.id AND cv.number = p.current_version
     JOIN version_tasks ct ON ct.program_version_id = cv.id
     JOIN reports r FORCE INDEX (reports_evidence) ON r.child_id = p.child_id AND r.task_id = ct.task_id AND r.step = ct.step
     WHERE p.child_id IN (:childIds) AND r.done_on >= :since AND r.mistake = 0`,
    { childIds, since },
  );
  const sessions = await withAsked(work, childIds, rows);
  return sessions.filter(({ versionNumber, sinceVersion }) => versionNumber >= sinceVersion);
}

/** Sessions at one step of each of some tasks, whichever version asked for them: earlier tries at it. */
export async function sessionsAt(
  work: Work,
  places: readonly { readonly childId: number; readonly taskId: number; readonly step: number }[],
): Promise<SessionRow[]> {
  if (places.length === 0) return [];
  // A list of triples is not looked up by the index; one condition each is.
  const wanted = places.map((_, index) => `(r.child_id = :child${index} AND r.task_id = :task${index} AND r.step = :step${index})`);
  const replacements = Object.fromEntries(
    places.flatMap(({ childId, taskId, step }, index) => [
      [`child${index}`, childId],
      [`task${index}`, taskId],
      [`step${index}`, step],
    ]),
  );
  const rows = await tablesOf(work).select<RawEvidence>(
    `SELECT ${EVIDENCE} FROM reports r FORCE INDEX (reports_evidence) WHERE (${wanted.join(' OR ')}) AND r.mistake = 0`,
    replacements,
  );
  return withAsked(work, [...new Set(places.map(({ childId }) => childId))], rows);
}

/** The version that asked for each, and for how much: asked once a task of a version, not once a report. */
async function withAsked<Row extends RawEvidence>(
  work: Work,
  childIds: readonly number[],
  rows: readonly Row[],
): Promise<(Row & SessionRow)[]> {
  const asked = await tablesOf(work).select<{ id: number; number: number; target: number | null; stepTargets: unknown }>(
    `SELECT t.id, v.number, CAST(t.target AS DOUBLE) AS target, CAST(t.step_targets AS CHAR) AS stepTargets
     FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id WHERE p.child_id IN (:childIds)`,
    { childIds: [...childIds] },
  );
  const byId = new Map(asked.map(({ id, stepTargets, ...rest }) => [id, { ...rest, atSteps: readStepTargets(stepTargets) }]));
  return rows.map((row) => {
    const { number, target, atSteps } = byId.get(row.versionTaskId)!;
    return Object.assign(toSession(row as unknown as RawSession & Row), {
      versionNumber: number,
      target: atSteps ? (atSteps[row.step - 1] ?? null) : target,
    }) as unknown as Row & SessionRow;
  });
}

/** Target of each step, the first step first. */
function readStepTargets(text: unknown): readonly (number | null)[] | null {
  return typeof text === 'string' ? (JSON.parse(text) as readonly (number | null)[]) : null;
}

/** Every session of a child's tasks, oldest first: for flights with pips. */
export async function sessionsOfTasks(work: Work, childId: number, taskIds: readonly number[]): Promise<SessionRow[]> {
  if (taskIds.length === 0) return [];
  const rows = await tablesOf(work).select<RawSession>(
    `SELECT ${SESSION} ${FROM_REPORTS} WHERE r.child_id = :childId AND r.task_id IN (:taskIds) AND r.mistake = 0 ORDER BY r.done_on, r.id`,
    { childId, taskIds },
  );
  return rows.map(toSession);
}

/** Every session of these children since a day, at whatever step. */
export async function sessionsSince(work: Work, childIds: readonly number[], since: CalendarDay): Promise<SessionRow[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<RawSession>(
    `SELECT ${SESSION} ${FROM_REPORTS} WHERE r.child_id IN (:childIds) AND r.done_on >= :since AND r.mistake = 0 ORDER BY r.done_on, r.id`,
    { childIds: [...childIds], since },
  );
  return rows.map(toSession);
}

export interface TimedSession {
  readonly taskId: number;
  readonly minutes: number;
  readonly repetitions: number;
}

/** Sessions of a child for which it was said how long they took. */
export async function timedSessions(work: Work, childId: number): Promise<TimedSession[]> {
  return tablesOf(work).select(
    `SELECT r.task_id AS taskId, r.minutes, ${AMOUNT} AS repetitions FROM reports r
     WHERE r.child_id = :childId AND r.done = 1 AND r.minutes > 0 AND ${AMOUNT} > 0 ORDER BY r.done_on, r.id`,
    { childId },
  );
}

export interface LogEntry extends SessionRow {
  readonly taskVersionId: number;
  readonly contentHash: string;
  /** Choices of the task in the version that the report belongs to. */
  readonly choices: TaskChoices;
  readonly saidAt: Instant;
  readonly left: number | null;
  readonly right: number | null;
  readonly plainAmount: number | null;
  readonly watched: Watched;
  readonly isQuestion: boolean;
  readonly words: string;
  readonly saidBy: string;
  readonly way: ReportWay;
  readonly readAt: Instant | null;
  readonly correctedAt: Instant | null;
  readonly versionTaskId: number;
  readonly danger: Danger | null;
  /** *Something hurt* was pressed, and at once said to be a slip. */
  readonly mistake: boolean;
  /** True while it closes its task. */
  readonly holds: boolean;
}

export type RawLogEntry = RawSession &
  Omit<LogEntry, keyof SessionRow | 'isQuestion' | 'watched' | 'choices' | 'way' | 'danger' | 'mistake' | 'holds'> & {
    readonly danger: unknown;
    readonly mistake: number;
    readonly holds: number | null;
    readonly isQuestion: number;
    readonly watched: unknown;
    readonly choices: unknown;
    readonly way: unknown;
  };

export const LOG = `${SESSION}, t.task_version_id AS taskVersionId, k.content_hash AS contentHash, t.choices, r.said_at AS saidAt, r.left_count AS \`left\`,
  r.right_count AS \`right\`, CAST(r.amount AS DOUBLE) AS plainAmount, r.is_question AS isQuestion, r.watched, r.words, r.said_by AS saidBy, r.way, r.read_at AS readAt,
  r.corrected_at AS correctedAt, r.version_task_id AS versionTaskId,
  r.danger, r.mistake, r.holds`;
export const FROM_LOG = `${FROM_REPORTS} JOIN task_versions k ON k.id = t.task_version_id`;

export function toLogEntry(row: RawLogEntry): LogEntry {
  return Object.assign(toSession(row), {
    isQuestion: Boolean(row.isQuestion),
    watched: readWatched(row.watched) ?? {},
    choices: readChoices(row.choices),
    way: oneOf('way', REPORT_WAYS, row.way),
    danger: oneOfOrNull('danger', DANGERS, row.danger),
    mistake: Boolean(row.mistake),
    holds: Boolean(row.holds),
  }) as LogEntry;
}

/** The newest reports of a child, of one task where it is named. */
export async function reportLog(
  work: Work,
  childId: number,
  { taskId, since, most }: { taskId?: number; since?: CalendarDay; most: number },
): Promise<LogEntry[]> {
  const rows = await tablesOf(work).select<RawLogEntry>(
    `SELECT ${LOG} ${FROM_LOG} WHERE r.child_id = :childId ${taskId ? 'AND r.task_id = :taskId' : ''} ${since ? 'AND r.done_on >= :since' : ''}
     ORDER BY r.done_on DESC, r.id DESC LIMIT :most`,
    { childId, taskId, since, most },
  );
  return rows.map(toLogEntry);
}

/** A report of the child by its number; null where it is none of the child's. @param locked nobody else changes it till the work is done */
export async function reportById(work: Work, childId: number, reportId: number, locked?: 'locked'): Promise<LogEntry | null> {
  const [row] = await tablesOf(work).select<RawLogEntry>(
    `SELECT ${LOG} ${FROM_LOG} WHERE r.child_id = :childId AND r.id = :reportId${locked ? ' FOR UPDATE' : ''}`,
    { childId, reportId },
  );
  return row ? toLogEntry(row) : null;
}

export interface UnreadReport {
  readonly childId: number;
  readonly reportId: number;
  readonly taskId: number;
  readonly isQuestion: boolean;
}

/** Questions and comments that nobody has read. What puts a task on hold is told by `openStops`. */
export async function unreadReports(work: Work, childIds: readonly number[]): Promise<UnreadReport[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Omit<UnreadReport, 'isQuestion'> & { isQuestion: number }>(
    `SELECT child_id AS childId, id AS reportId, task_id AS taskId, is_question AS isQuestion
     FROM reports FORCE INDEX (reports_awaiting) WHERE awaits_reader = 1 AND danger IS NULL AND child_id IN (:childIds) ORDER BY id`,
    { childIds },
  );
  return rows.map((row) => ({ ...row, isQuestion: Boolean(row.isQuestion) }));
}

/** Returns the comments of these reports, by their id. */
export async function wordsOfReports(work: Work, reportIds: readonly number[]): Promise<ReadonlyMap<number, string>> {
  if (reportIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<{ id: number; words: string }>('SELECT id, words FROM reports WHERE id IN (:reportIds)', {
    reportIds,
  });
  return new Map(rows.map(({ id, words }) => [id, words]));
}

/** Which of these keys belong to reports that are there. */
export async function knownReportKeys(work: Work, keys: readonly string[]): Promise<ReadonlySet<string>> {
  if (keys.length === 0) return new Set();
  const rows = await tablesOf(work).select<{ key: string }>(
    'SELECT idempotency_key AS `key` FROM reports WHERE idempotency_key IN (:keys)',
    {
      keys,
    },
  );
  return new Set(rows.map(({ key }) => key));
}

/** Values of a report before a correction. */
export interface ReportBefore {
  readonly reportId: number;
  readonly correctedAt: Instant;
  /** The colleague who did it; null where the family did. */
  readonly who: string | null;
  readonly why: string;
  readonly before: TextOfReport;
}

/** Every correction of a child's reports, of one of them where it is named, the latest first. */
export async function correctionsOf(work: Work, childId: number, reportId?: number): Promise<ReportBefore[]> {
  const rows = await tablesOf(work).select<Omit<ReportBefore, 'before'> & { before: unknown }>(
    `SELECT c.report_id AS reportId, c.corrected_at AS correctedAt, p.name AS who, c.why, c.before_correction AS \`before\`
     FROM report_corrections c JOIN reports r ON r.id = c.report_id LEFT JOIN people p ON p.id = c.corrected_by
     WHERE r.child_id = :childId ${reportId === undefined ? '' : 'AND r.id = :reportId'} ORDER BY c.id DESC`,
    { childId, reportId },
  );
  return rows.map((row) => ({ ...row, before: readTextOfReport(row.before) }));
}
