import { calendarDay, type CalendarDay } from '@/core/calendar';
import { DECISION_ANSWERS, DECISION_KINDS, SILENCE_ACTIONS, type SettledDecision } from '@/core/review';
import { oneOf, oneOfOrNull, readSuggestion } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

const COLUMNS = `d.id, d.decision_key AS \`key\`, d.child_id AS childId, d.task_id AS taskId, d.kind, d.answer, d.followed, d.reason, d.suggestion,
  d.decided_by AS decidedBy, p.name AS decidedByName, d.decided_at AS decidedAt, d.later_until AS laterUntil, d.deed AS silenceAction, d.undone_at AS undoneAt`;

type Row = Omit<SettledDecision, 'followed' | 'kind' | 'answer' | 'suggestion' | 'laterUntil' | 'silenceAction'> & {
  readonly followed: number;
  readonly kind: unknown;
  readonly answer: unknown;
  readonly suggestion: unknown;
  readonly laterUntil: string | null;
  readonly silenceAction: unknown;
};

function toSettled(row: Row): SettledDecision {
  return {
    ...row,
    followed: Boolean(row.followed),
    kind: oneOf('kind', DECISION_KINDS, row.kind),
    answer: oneOf('answer', DECISION_ANSWERS, row.answer),
    suggestion: readSuggestion(row.suggestion),
    laterUntil: row.laterUntil === null ? null : calendarDay(row.laterUntil),
    silenceAction: oneOfOrNull('deed', SILENCE_ACTIONS, row.silenceAction),
  };
}

/** Decisions that stand: settled ones of the last months, and those put off until later than today. */
export async function standingDecisions(work: Work, childIds: readonly number[], today: CalendarDay): Promise<SettledDecision[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Row>(
    `SELECT ${COLUMNS} FROM decisions d JOIN people p ON p.id = d.decided_by
     WHERE d.child_id IN (:childIds) AND d.undone_at IS NULL AND (d.later_until IS NULL OR d.later_until > :today)
       AND d.decided_at >= :today - INTERVAL 90 DAY ORDER BY d.id`,
    { childIds, today },
  );
  return rows.map(toSettled);
}

export async function decisionsOfChild(work: Work, childId: number, most: number): Promise<SettledDecision[]> {
  const rows = await tablesOf(work).select<Row>(
    `SELECT ${COLUMNS} FROM decisions d JOIN people p ON p.id = d.decided_by WHERE d.child_id = :childId ORDER BY d.id DESC LIMIT :most`,
    { childId, most },
  );
  return rows.map(toSettled);
}

/** Locked until the transaction ends. */
export async function decisionById(work: Work, id: number): Promise<SettledDecision | null> {
  const [row] = await tablesOf(work).select<Row>(
    `SELECT ${COLUMNS} FROM decisions d JOIN people p ON p.id = d.decided_by WHERE d.id = :id FOR UPDATE`,
    { id },
  );
  return row ? toSettled(row) : null;
}
