import type { Instant } from '@/core/calendar';
import type { ReportWay, SessionFacts } from '@/core/sessions';
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
  /** Who wrote it down for the family; null where the family did. */
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
    is_question: facts.isQuestion,
    words: facts.words,
    said_by: facts.saidBy,
  };
}

export interface StoredReport {
  readonly id: number;
  readonly idempotencyKey: string;
  readonly childId: number;
  readonly safetyWord: boolean;
  /** True where it was written just now, not known from before. */
  readonly fresh: boolean;
}

/**
 * Writes the reports; one whose idempotency key is known already stands as it first came. Gives back what stands now.
 * @param intake names this very writing, so that what it wrote is told from what stood before
 */
export async function addReports(work: Work, reports: readonly NewReport[], intake: string): Promise<StoredReport[]> {
  const rows = reports.map((report) => ({
    ...factColumns(report.facts),
    idempotency_key: report.idempotencyKey,
    child_id: report.childId,
    version_task_id: report.versionTaskId,
    task_id: report.taskId,
    said_at: report.saidAt,
    way: report.way,
    link_id: report.linkId,
    incoming_id: report.incomingId,
    entered_by: report.enteredBy,
    intake,
  }));
  const stored = await tablesOf(work).insertOrKeep<
    Omit<StoredReport, 'safetyWord' | 'fresh'> & { safetyWord: number; intake: string | null }
  >('reports', rows, ['id', 'idempotency_key AS idempotencyKey', 'child_id AS childId', 'safety_word AS safetyWord', 'intake']);
  return stored.map(({ intake: writtenBy, safetyWord, ...report }) => ({
    ...report,
    safetyWord: Boolean(safetyWord),
    fresh: writtenBy === intake,
  }));
}

/** Overwrites a report and keeps what stood there before. A new safety word or question asks to be read again. */
export async function correctReport(work: Work, before: LogEntry, facts: SessionFacts, at: Instant): Promise<void> {
  const tables = tablesOf(work);
  await tables.insert('report_corrections', { report_id: before.reportId, corrected_at: at, before_correction: before });
  const readAgain = facts.safetyWord || facts.isQuestion ? { read_at: null, read_by: null, read_decision_id: null } : {};
  await tables.update('reports', { ...factColumns(facts), ...readAgain, corrected_at: at }, { id: before.reportId });
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
