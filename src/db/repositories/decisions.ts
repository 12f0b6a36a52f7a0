import type { Suggestion } from '@/core/advancing';
import type { CalendarDay, Instant } from '@/core/calendar';
import type { Work } from '../work';

export type DecisionAnswer = 'up' | 'down' | 'hold' | 'read' | 'wrote' | 'later';

export interface SettledDecision {
  readonly id: number;
  readonly key: string;
  readonly childId: number;
  readonly taskId: number | null;
  readonly kind: string;
  readonly answer: DecisionAnswer;
  readonly followed: boolean;
  readonly reason: string;
  readonly suggestion: Suggestion | null;
  readonly decidedBy: number;
  readonly decidedByName: string;
  readonly decidedAt: Instant;
  readonly laterUntil: CalendarDay | null;
  readonly undoneAt: Instant | null;
}

const COLUMNS = `d.id, d.decision_key AS \`key\`, d.child_id AS childId, d.task_id AS taskId, d.kind, d.answer, d.followed, d.reason, d.suggestion,
  d.decided_by AS decidedBy, p.name AS decidedByName, d.decided_at AS decidedAt, d.later_until AS laterUntil, d.undone_at AS undoneAt`;

type Row = Omit<SettledDecision, 'followed'> & { followed: number };
const toSettled = (row: Row): SettledDecision => ({ ...row, followed: Boolean(row.followed) });

/** Decisions that stand: settled ones of the last months, and those put off until later than today. */
export async function standingDecisions(work: Work, childIds: readonly number[], today: CalendarDay): Promise<SettledDecision[]> {
  if (childIds.length === 0) return [];
  const rows = await work.select<Row>(
    `SELECT ${COLUMNS} FROM decisions d JOIN people p ON p.id = d.decided_by
     WHERE d.child_id IN (:childIds) AND d.undone_at IS NULL AND (d.answer <> 'later' OR d.later_until > :today)
       AND d.decided_at >= :today - INTERVAL 90 DAY ORDER BY d.id`,
    { childIds, today },
  );
  return rows.map(toSettled);
}

export async function decisionsOfChild(work: Work, childId: number, most: number): Promise<SettledDecision[]> {
  const rows = await work.select<Row>(
    `SELECT ${COLUMNS} FROM decisions d JOIN people p ON p.id = d.decided_by WHERE d.child_id = :childId ORDER BY d.id DESC LIMIT :most`,
    { childId, most },
  );
  return rows.map(toSettled);
}

export async function decisionById(work: Work, id: number): Promise<SettledDecision | null> {
  const [row] = await work.select<Row>(
    `SELECT ${COLUMNS} FROM decisions d JOIN people p ON p.id = d.decided_by WHERE d.id = :id FOR UPDATE`,
    { id },
  );
  return row ? toSettled(row) : null;
}

export async function changeOfDecision(work: Work, decisionId: number) {
  const [row] = await work.select<{ taskId: number; fromStep: number; toStep: number; versionNumber: number }>(
    'SELECT task_id AS taskId, from_step AS fromStep, to_step AS toStep, version_number AS versionNumber FROM grade_changes WHERE decision_id = :decisionId',
    { decisionId },
  );
  return row ?? null;
}
