import type { PracticeReport } from '@/core/adherence';
import type { CalendarDay, Instant } from '@/core/calendar';
import type { TaskChoices } from '@/core/program';
import type { DatedSession, ReportContent, ReportWay } from '@/core/sessions';
import { groupBy } from '@/core/groupBy';
import type { Work } from '../work';

const AMOUNT = 'r.left_count + r.right_count + r.amount';

/** What the practice dots need of each report since a day, by child. */
export async function practiceSince(work: Work, childIds: readonly number[], since: CalendarDay): Promise<Map<number, PracticeReport[]>> {
  if (childIds.length === 0) return new Map();
  const rows = await work.select<Omit<PracticeReport, 'done'> & { childId: number; done: number }>(
    `SELECT r.child_id AS childId, r.task_id AS taskId, r.done_on AS doneOn, r.done, ${AMOUNT} AS amount
     FROM reports r WHERE r.child_id IN (:childIds) AND r.done_on >= :since`,
    { childIds, since },
  );
  return groupBy(
    rows.map((row) => ({ ...row, done: Boolean(row.done) })),
    (row) => row.childId,
  );
}

/** The latest day that each child has word of. */
export async function lastWords(work: Work, childIds: readonly number[]): Promise<Map<number, CalendarDay>> {
  if (childIds.length === 0) return new Map();
  const rows = await work.select<{ childId: number; lastOn: CalendarDay }>(
    'SELECT child_id AS childId, MAX(done_on) AS lastOn FROM reports WHERE child_id IN (:childIds) GROUP BY child_id',
    { childIds },
  );
  return new Map(rows.map((row) => [row.childId, row.lastOn]));
}

export interface SessionRow extends DatedSession {
  readonly childId: number;
  readonly taskId: number;
}

type RawSession = Omit<SessionRow, 'done' | 'safetyWord'> & { done: number; safetyWord: number };

const SESSION = `r.id AS reportId, r.child_id AS childId, r.task_id AS taskId, r.done_on AS doneOn, r.step, r.done, ${AMOUNT} AS amount, r.minutes, r.help, r.effort,
  r.stop_reason AS stopReason, r.safety_word AS safetyWord, v.number AS versionNumber, t.target`;
const FROM_REPORTS = `FROM reports r JOIN version_tasks t ON t.id = r.version_task_id JOIN program_versions v ON v.id = t.program_version_id`;

function toSession(row: RawSession): SessionRow {
  return { ...row, done: Boolean(row.done), safetyWord: Boolean(row.safetyWord) };
}

/** Sessions at the step that each current task stands on, since that step was set and since a day: all that a rule looks at. */
export async function sessionsAtPresentSteps(work: Work, childIds: readonly number[], since: CalendarDay): Promise<SessionRow[]> {
  if (childIds.length === 0) return [];
  const rows = await work.select<RawSession>(
    `SELECT ${SESSION} FROM programs p
     JOIN program_versions cv ON cv.program_id = p.id AND cv.number = p.current_version
     JOIN version_tasks ct ON ct.program_version_id = cv.id
     JOIN reports r ON r.child_id = p.child_id AND r.task_id = ct.task_id AND r.step = ct.step
     JOIN version_tasks t ON t.id = r.version_task_id JOIN program_versions v ON v.id = t.program_version_id
     WHERE p.child_id IN (:childIds) AND r.done_on >= :since AND v.number >= ct.step_since_version`,
    { childIds, since },
  );
  return rows.map(toSession);
}

/** Every session of a child's tasks, oldest first: for flights with pips. */
export async function sessionsOfTasks(work: Work, childId: number, taskIds: readonly number[]): Promise<SessionRow[]> {
  if (taskIds.length === 0) return [];
  const rows = await work.select<RawSession>(
    `SELECT ${SESSION} ${FROM_REPORTS} WHERE r.child_id = :childId AND r.task_id IN (:taskIds) ORDER BY r.done_on, r.id`,
    { childId, taskIds },
  );
  return rows.map(toSession);
}

/** Sessions of a child for which it was said how long they took. */
export async function timedSessions(work: Work, childId: number): Promise<{ taskId: number; minutes: number; repetitions: number }[]> {
  return work.select(
    `SELECT r.task_id AS taskId, r.minutes, ${AMOUNT} AS repetitions FROM reports r
     WHERE r.child_id = :childId AND r.done = 1 AND r.minutes > 0 AND ${AMOUNT} > 0 ORDER BY r.done_on, r.id`,
    { childId },
  );
}

export interface LogEntry extends SessionRow {
  readonly taskVersionId: number;
  /** What was chosen of the task in the version that the report is of. */
  readonly choices: TaskChoices;
  readonly saidAt: Instant;
  readonly left: number;
  readonly right: number;
  readonly plainAmount: number;
  readonly isQuestion: boolean;
  readonly words: string;
  readonly saidBy: string;
  readonly way: ReportWay;
  readonly readAt: Instant | null;
  readonly correctedAt: Instant | null;
  readonly versionTaskId: number;
}

const LOG = `${SESSION}, t.task_version_id AS taskVersionId, t.choices, r.said_at AS saidAt, r.left_count AS \`left\`, r.right_count AS \`right\`, r.amount AS plainAmount,
  r.is_question AS isQuestion, r.words, r.said_by AS saidBy, r.way, r.read_at AS readAt, r.corrected_at AS correctedAt, r.version_task_id AS versionTaskId`;

function toLogEntry(row: RawSession & Omit<LogEntry, keyof SessionRow | 'isQuestion'> & { isQuestion: number }): LogEntry {
  return { ...row, ...toSession(row), isQuestion: Boolean(row.isQuestion) };
}

/** The newest reports of a child, of one task where it is named. */
export async function reportLog(
  work: Work,
  childId: number,
  wish: { taskId?: number; since?: CalendarDay; most: number },
): Promise<LogEntry[]> {
  const rows = await work.select<Parameters<typeof toLogEntry>[0]>(
    `SELECT ${LOG} ${FROM_REPORTS} WHERE r.child_id = :childId ${wish.taskId ? 'AND r.task_id = :taskId' : ''} ${wish.since ? 'AND r.done_on >= :since' : ''}
     ORDER BY r.done_on DESC, r.id DESC LIMIT :most`,
    { childId, taskId: wish.taskId, since: wish.since, most: wish.most },
  );
  return rows.map(toLogEntry);
}

export async function reportById(work: Work, childId: number, reportId: number): Promise<LogEntry | null> {
  const [row] = await work.select<Parameters<typeof toLogEntry>[0]>(
    `SELECT ${LOG} ${FROM_REPORTS} WHERE r.child_id = :childId AND r.id = :reportId`,
    { childId, reportId },
  );
  return row ? toLogEntry(row) : null;
}

export interface UnreadReport {
  readonly childId: number;
  readonly reportId: number;
  readonly taskId: number;
  readonly safetyWord: boolean;
  readonly isQuestion: boolean;
}

/** Safety words and questions that nobody has read. */
export async function unreadReports(work: Work, childIds: readonly number[]): Promise<UnreadReport[]> {
  if (childIds.length === 0) return [];
  const rows = await work.select<Omit<UnreadReport, 'safetyWord' | 'isQuestion'> & { safetyWord: number; isQuestion: number }>(
    `SELECT child_id AS childId, id AS reportId, task_id AS taskId, safety_word AS safetyWord, is_question AS isQuestion
     FROM reports WHERE awaits_reader = 1 AND child_id IN (:childIds) ORDER BY id`,
    { childIds },
  );
  return rows.map((row) => ({ ...row, safetyWord: Boolean(row.safetyWord), isQuestion: Boolean(row.isQuestion) }));
}

export interface NewReport {
  readonly idempotencyKey: string;
  readonly childId: number;
  readonly versionTaskId: number;
  readonly taskId: number;
  readonly content: ReportContent;
  readonly saidAt: Instant;
  readonly way: ReportWay;
  readonly linkId: number | null;
}

function contentColumns(content: ReportContent) {
  return {
    step: content.step,
    done: content.done,
    done_on: content.doneOn,
    left_count: content.done ? content.left : 0,
    right_count: content.done ? content.right : 0,
    amount: content.done ? content.amount : 0,
    minutes: content.done ? content.minutes : null,
    help: content.help,
    effort: content.effort,
    stop_reason: content.stopReason,
    safety_word: content.safetyWord,
    is_question: content.isQuestion,
    words: content.words,
    said_by: content.saidBy,
  };
}

export interface StoredReport {
  readonly id: number;
  readonly idempotencyKey: string;
  readonly childId: number;
  readonly safetyWord: number;
}

const STORED = ['id', 'idempotency_key AS idempotencyKey', 'child_id AS childId', 'safety_word AS safetyWord'];

/** Writes the reports; one whose idempotency key is known already stands as it first came. Gives back what stands now. */
export async function addReports(work: Work, reports: readonly NewReport[]): Promise<StoredReport[]> {
  const rows = reports.map((report) => ({
    ...contentColumns(report.content),
    idempotency_key: report.idempotencyKey,
    child_id: report.childId,
    version_task_id: report.versionTaskId,
    task_id: report.taskId,
    said_at: report.saidAt,
    way: report.way,
    link_id: report.linkId,
  }));
  return work.insertOrKeep<StoredReport>('reports', rows, STORED);
}

/** The idempotency keys among these that a report has already. */
export async function knownKeys(work: Work, keys: readonly string[]): Promise<Set<string>> {
  if (keys.length === 0) return new Set();
  const rows = await work.select<{ key: string }>('SELECT idempotency_key AS `key` FROM reports WHERE idempotency_key IN (:keys)', {
    keys,
  });
  return new Set(rows.map((row) => row.key));
}

/** Overwrites a report and keeps what stood there before. A new safety word or question asks to be read again. */
export async function correctReport(work: Work, before: LogEntry, content: ReportContent, at: Instant): Promise<void> {
  await work.insert('report_corrections', { report_id: before.reportId, corrected_at: at, before_correction: before });
  const readAgain = content.safetyWord || content.isQuestion ? { read_at: null, read_by: null } : {};
  await work.update('reports', { ...contentColumns(content), ...readAgain, corrected_at: at }, { id: before.reportId });
}
