import { calendarDay, type Instant } from '@/core/calendar';
import type { Measurement } from '@/core/measurements';
import { HELP_LEVELS } from '@/core/vocabulary';
import { oneOfOrNull, readWatched } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

/** A measurement as it stands, with who took it. */
export interface Measured extends Measurement {
  readonly id: number;
  readonly by: string;
  readonly byId: number;
}

type Row = Omit<Measured, 'measuredOn' | 'help' | 'watched'> & {
  readonly measuredOn: string;
  readonly help: unknown;
  readonly watched: unknown;
};

const COLUMNS = `m.id, m.child_id AS childId, m.goal_id AS goalId, m.task_id AS taskId, m.step, m.measured_on AS measuredOn, m.good, m.trials, m.help, m.level,
  CAST(m.minutes AS DOUBLE) AS minutes, m.watched, m.note, p.name AS \`by\`, p.id AS byId FROM measurements m JOIN people p ON p.id = m.measured_by`;

const toMeasured = <Any extends Row>(row: Any) => ({
  ...row,
  measuredOn: calendarDay(row.measuredOn),
  help: oneOfOrNull('help', HELP_LEVELS, row.help),
  watched: readWatched(row.watched) ?? {},
});

/** Lists the measurements of a student, the latest day first; deleted ones are left out. */
export async function measurementsOf(work: Work, childId: number, most: number): Promise<Measured[]> {
  const rows = await tablesOf(work).select<Row>(
    `SELECT ${COLUMNS} WHERE m.child_id = :childId AND m.taken_back_at IS NULL ORDER BY m.measured_on DESC, m.id DESC LIMIT :most`,
    { childId, most },
  );
  return rows.map(toMeasured);
}

/** Lists the measurements of these students' goals, oldest first; deleted ones are left out. */
export async function goalMeasurementsOf(work: Work, childIds: readonly number[]): Promise<Measured[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<Row>(
    `SELECT ${COLUMNS} WHERE m.child_id IN (:childIds) AND m.goal_id IS NOT NULL AND m.taken_back_at IS NULL ORDER BY m.measured_on, m.id`,
    { childIds },
  );
  return rows.map(toMeasured);
}

/** @param entryKey of this very form: sent twice, it is kept once */
export async function addMeasurement(
  work: Work,
  childId: number,
  measurement: Measurement,
  { entryKey, by, at }: { readonly entryKey: string; readonly by: number; readonly at: Instant },
): Promise<void> {
  const { goalId, taskId, step, measuredOn, good, trials, help, level, minutes, watched, note } = measurement;
  await tablesOf(work).insertOrKeep(
    'measurements',
    [
      {
        child_id: childId,
        entry_key: entryKey,
        goal_id: goalId,
        task_id: taskId,
        step,
        measured_on: measuredOn,
        good,
        trials,
        help,
        level,
        minutes,
        watched: Object.keys(watched).length > 0 ? watched : null,
        note,
        measured_by: by,
        created_at: at,
      },
    ],
    ['id'],
  );
}

/** False where it is none of the child's, of somebody else, or taken back already. */
export async function withdrawMeasurement(work: Work, childId: number, id: number, by: number, at: Instant): Promise<boolean> {
  return (
    (await tablesOf(work).update('measurements', { taken_back_at: at }, { id, child_id: childId, measured_by: by, taken_back_at: null })) >
    0
  );
}
