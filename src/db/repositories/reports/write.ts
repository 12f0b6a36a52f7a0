import type { Instant } from '@/core/calendar';
import type { ReportWay, SessionFacts } from '@/core/reports';
import { DANGERS, dangerOf, type Danger } from '@/core/safety';
import { tablesOf, type Work } from '../../work';
import type { LogEntry } from './read';

export interface NewReport {
  readonly idempotencyKey: string;
  readonly childId: number;
  readonly versionTaskId: number;
  readonly taskId: number;
  readonly facts: SessionFacts;
  readonly saidAt: Instant;
  readonly way: ReportWay;
  readonly linkId: number | null;
  /** The text that it was read from, where a person had to look at it. */
  readonly incomingId: number | null;
  /** Person who entered it for the family; null where the family did. */
  readonly enteredBy: number | null;
}

function factColumns(facts: SessionFacts) {
  return {
    step: facts.step,
    done: facts.done,
    done_on: facts.doneOn,
    left_count: facts.done ? facts.left : null,
    right_count: facts.done ? facts.right : null,
    amount: facts.done ? facts.amount : null,
    minutes: facts.done ? facts.minutes : null,
    help: facts.help,
    effort: facts.effort,
    stop_reason: facts.stopReason,
    safety_word: facts.safetyWord,
    danger: dangerOf(facts),
    mistake: facts.press === 'mistake' && facts.words === '',
    watched: Object.keys(facts.watched ?? {}).length > 0 ? facts.watched : null,
    is_question: facts.isQuestion,
    words: facts.words,
    said_by: facts.saidBy,
  };
}

export interface StoredReport {
  readonly id: number;
  readonly idempotencyKey: string;
  readonly childId: number;
  /** True where it closes its task. */
  readonly safetyWord: boolean;
  /** True where it was written just now, not known from before. */
  readonly fresh: boolean;
}

const STORED = ['id', 'idempotency_key AS idempotencyKey', 'child_id AS childId', '(danger IS NOT NULL) AS safetyWord', 'intake'];
type StoredRow = Omit<StoredReport, 'safetyWord' | 'fresh'> & { readonly safetyWord: number; readonly intake: string | null };

/**
 * Writes the reports; one whose idempotency key is known already stands as it first came. Gives back what stands now.
 * @param intake names this very writing, so that what it wrote is told from what stood before
 */
export async function addReports(work: Work, reports: readonly NewReport[], intake: string): Promise<StoredReport[]> {
  const rows = reports.map((report) => reportColumns(report, intake));
  return storedBy(intake, await tablesOf(work).insertOrKeep<StoredRow>('reports', rows, STORED));
}

function reportColumns(report: NewReport, intake: string) {
  const { idempotencyKey, childId, versionTaskId, taskId, facts, saidAt, way, linkId, incomingId, enteredBy } = report;
  // Not spread: a spread of so many columns takes longer than all the rest of an intake.
  return Object.assign(factColumns(facts), {
    idempotency_key: idempotencyKey,
    child_id: childId,
    version_task_id: versionTaskId,
    task_id: taskId,
    said_at: saidAt,
    way,
    link_id: linkId,
    incoming_id: incomingId,
    entered_by: enteredBy,
    trail_due: linkId === null ? null : true,
    intake,
  });
}

function storedBy(intake: string, rows: readonly StoredRow[]): StoredReport[] {
  return rows.map(({ id, idempotencyKey, childId, safetyWord, intake: writtenBy }) => ({
    id,
    idempotencyKey,
    childId,
    safetyWord: Boolean(safetyWord),
    fresh: writtenBy === intake,
  }));
}

/** A report by a link that the trail does not tell of yet. */
export interface UntoldReport {
  readonly id: number;
  readonly linkId: number;
  readonly childId: number;
  readonly saidAt: Instant;
  /** It put its task on hold. */
  readonly isHurt: boolean;
}

/**
 * The next reports that the trail does not tell of yet, marked as told; another runner's are left to it. They are locked by
 * their ids alone: a lock on the index would hold up the reports that come in meanwhile.
 */
export async function claimUnannouncedReports(work: Work, most: number): Promise<UntoldReport[]> {
  const due = await tablesOf(work).select<{ id: number }>('SELECT id FROM reports WHERE trail_due = 1 LIMIT :most', { most });
  return due.length === 0 ? [] : markTold(work, 'id IN (:ids)', { ids: due.map(({ id }) => id) });
}

/** Marks a student's reports that the audit log lacks as logged, and returns them. */
export async function claimUnannouncedReportsOf(work: Work, childId: number): Promise<UntoldReport[]> {
  return markTold(work, 'child_id = :childId', { childId });
}

async function markTold(work: Work, which: string, replacements: Record<string, unknown>): Promise<UntoldReport[]> {
  const tables = tablesOf(work);
  const untold = await tables.select<Omit<UntoldReport, 'isHurt'> & { isHurt: number }>(
    `SELECT id, link_id AS linkId, child_id AS childId, said_at AS saidAt, danger IS NOT NULL AS isHurt FROM reports IGNORE INDEX (reports_trail_due)
     WHERE ${which} AND trail_due = 1 ORDER BY id FOR UPDATE SKIP LOCKED`,
    replacements,
  );
  if (untold.length) await tables.update('reports', { trail_due: null }, { id: untold.map(({ id }) => id) });
  return untold.map((row) => ({ ...row, isHurt: Boolean(row.isHurt) }));
}

const strongest = (before: Danger | null, now: Danger | null): Danger | null =>
  DANGERS.find((danger) => danger === before || danger === now) ?? null;

/**
 * A report of harm stays, whatever is reported later: later comments are added to it.
 * @example wordsOfHarm({ danger: 'told', words: 'it bled' }, 'all fine') // 'it bled\nall fine'
 */
export function wordsOfHarm({ danger, words }: Pick<LogEntry, 'danger' | 'words'>, later: string): string {
  if (danger === null || words === '' || words.split('\n').includes(later) || later.includes(words))
    return later.includes(words) ? later : words;
  return later === '' ? words : `${words}\n${later}`;
}

/** How a report is put right, where it is more than other facts told. */
interface Correcting {
  /** The family says at once that *Something hurt* was pressed by mistake. */
  readonly isSlip?: boolean;
  /** The colleague who corrects it, and why; not told where the family does. */
  readonly by?: { readonly personId: number; readonly why: string };
}

/** Overwrites a report and keeps what stood there before. What is newly told of danger, or asked, asks to be read again. */
export async function correctReport(
  work: Work,
  before: LogEntry,
  facts: SessionFacts,
  at: Instant,
  { isSlip = false, by }: Correcting = {},
): Promise<void> {
  const tables = tablesOf(work);
  const corrected = { corrected_at: at, corrected_by: by?.personId ?? null, why: by?.why ?? '' };
  await tables.insert('report_corrections', { report_id: before.reportId, ...corrected, before_correction: before });
  const now = dangerOf(facts);
  const danger = strongest(before.danger, now);
  const isNewDanger = now !== null && (danger !== before.danger || facts.words !== before.words || before.mistake);
  const isNew = isNewDanger || (facts.isQuestion && !before.isQuestion);
  const readAgain = isNew ? { read_at: null, read_by: null, read_decision_id: null } : {};
  const values = {
    ...factColumns(facts),
    words: before.danger === null ? facts.words : wordsOfHarm(before, facts.words),
    // Unticking or correcting never takes a danger back, and what is told is no slip any more.
    danger,
    safety_word: before.safetyWord || facts.safetyWord,
    mistake: facts.press === 'mistake' ? before.mistake || (isSlip && danger === 'pressed') : now === null && before.mistake,
    ...(isNewDanger ? { lift_id: null } : {}),
    ...readAgain,
    corrected_at: at,
  };
  await tables.update('reports', values, { id: before.reportId });
}

/** Marks reports of a child as read by a decision; what somebody has read before stays as it was read. */
export async function markRead(
  work: Work,
  reading: { childId: number; reportIds: readonly number[]; personId: number; at: Instant; decisionId: number },
): Promise<void> {
  const { childId, personId, at, decisionId } = reading;
  for (const id of reading.reportIds) {
    await tablesOf(work).update(
      'reports',
      { read_by: personId, read_at: at, read_decision_id: decisionId },
      { id, child_id: childId, read_at: null },
    );
  }
}

/** Takes back just the reading that a decision did. Gives back how many reports wait for a reader again. */
export async function unmarkRead(work: Work, childId: number, decisionId: number): Promise<number> {
  return tablesOf(work).update(
    'reports',
    { read_by: null, read_at: null, read_decision_id: null },
    { child_id: childId, read_decision_id: decisionId },
  );
}
