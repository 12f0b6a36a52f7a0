import type { CalendarDay, Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface NewLift {
  readonly childId: number;
  readonly taskId: number;
  readonly kind: 'lifted' | 'takenOut';
  readonly found: string;
  readonly spokeTo: string;
  readonly fromDay: CalendarDay | null;
  readonly atStep: number | null;
  readonly decisionId: number;
  readonly liftedBy: number;
  readonly liftedAt: Instant;
}

/** Opens a closed task again: what these reports hold is lifted, and no other. Gives back how many reports that were. */
export async function addLift(work: Work, lift: NewLift, reportIds: readonly number[]): Promise<number> {
  const tables = tablesOf(work);
  const liftId = await tables.insert('stop_lifts', {
    child_id: lift.childId,
    task_id: lift.taskId,
    kind: lift.kind,
    found: lift.found,
    spoke_to: lift.spokeTo,
    from_day: lift.fromDay,
    at_step: lift.atStep,
    decision_id: lift.decisionId,
    lifted_by: lift.liftedBy,
    lifted_at: lift.liftedAt,
  });
  return tables.update('reports', { lift_id: liftId }, { id: [...reportIds], child_id: lift.childId, task_id: lift.taskId, lift_id: null });
}

/** Takes a lift back: what it opened is closed again. */
export async function closeAgain(work: Work, childId: number, decisionId: number): Promise<void> {
  const tables = tablesOf(work);
  const lifts = await tables.select<{ id: number }>('SELECT id FROM stop_lifts WHERE decision_id = :decisionId AND child_id = :childId', {
    decisionId,
    childId,
  });
  const ids = lifts.map(({ id }) => id);
  if (ids.length === 0) return;
  await tables.update('reports', { lift_id: null }, { lift_id: ids, child_id: childId });
  await tables.remove('stop_lifts', { id: ids });
}

/** Notes that a person has read a report; the first time stands. */
export async function noteReader(work: Work, reportIds: readonly number[], personId: number, at: Instant): Promise<void> {
  const tables = tablesOf(work);
  for (const reportId of reportIds) {
    const known = await tables.select('SELECT report_id FROM report_readers WHERE report_id = :reportId AND person_id = :personId', {
      reportId,
      personId,
    });
    if (known.length === 0) await tables.insertAll('report_readers', [{ report_id: reportId, person_id: personId, read_at: at }]);
  }
}
