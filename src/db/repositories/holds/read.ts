import type { CalendarDay, Instant } from '@/core/calendar';
import { DANGERS, type Danger } from '@/core/safety';
import { groupBy } from '@/core/groupBy';
import { REPORT_WAYS, type ReportWay } from '@/core/reports';
import { oneOf } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

export interface Reader {
  readonly personId: number;
  readonly name: string;
  readonly readAt: Instant;
}

/** A report that closed its task, and that no person has lifted yet. */
export interface Stop {
  readonly childId: number;
  readonly taskId: number;
  readonly reportId: number;
  readonly danger: Danger;
  /** The family said afterwards that *Something hurt* was pressed by mistake. */
  readonly mistake: boolean;
  /** Way in which it came: a teacher's report is not the family's. */
  readonly way: ReportWay;
  readonly words: string;
  readonly doneOn: CalendarDay;
  readonly saidAt: Instant;
  readonly readers: readonly Reader[];
}

/** Lists the present holds on these students' tasks, oldest first. */
export async function openStops(work: Work, childIds: readonly number[]): Promise<Stop[]> {
  if (childIds.length === 0) return [];
  const tables = tablesOf(work);
  const [rows, readers] = await Promise.all([
    tables.select<Omit<Stop, 'readers' | 'danger' | 'mistake' | 'way'> & { danger: unknown; mistake: number; way: unknown }>(
      `SELECT child_id AS childId, task_id AS taskId, id AS reportId, danger, mistake, way, words, done_on AS doneOn, said_at AS saidAt
       FROM reports FORCE INDEX (reports_holds) WHERE holds = 1 AND child_id IN (:childIds) ORDER BY id`,
      { childIds },
    ),
    tables.select<Reader & { reportId: number }>(
      `SELECT d.report_id AS reportId, d.person_id AS personId, p.name, d.read_at AS readAt
       FROM report_readers d JOIN reports r ON r.id = d.report_id JOIN people p ON p.id = d.person_id
       WHERE r.holds = 1 AND r.child_id IN (:childIds) ORDER BY d.read_at`,
      { childIds },
    ),
  ]);
  const readersOf = groupBy(readers, (reader) => reader.reportId);
  return rows.map((row) => ({
    ...row,
    danger: oneOf('danger', DANGERS, row.danger),
    mistake: Boolean(row.mistake),
    way: oneOf('way', REPORT_WAYS, row.way),
    readers: readersOf.get(row.reportId) ?? [],
  }));
}

export interface PastDanger {
  readonly taskId: number;
  readonly reportId: number;
  readonly doneOn: CalendarDay;
}

/** Every report of danger of a child since a day that was no slip, oldest first: a second one soon after the first is told. */
export async function dangersSince(work: Work, childId: number, since: CalendarDay): Promise<PastDanger[]> {
  return tablesOf(work).select(
    `SELECT task_id AS taskId, id AS reportId, done_on AS doneOn FROM reports
     WHERE child_id = :childId AND done_on >= :since AND danger IS NOT NULL AND mistake = 0 ORDER BY done_on, id`,
    { childId, since },
  );
}

export interface Lift {
  readonly taskId: number;
  readonly found: string;
  readonly spokeTo: string;
  readonly fromDay: CalendarDay | null;
  readonly atStep: number | null;
  readonly liftedByName: string;
  readonly liftedAt: Instant;
}

/** The stops of a child that a person has lifted, newest first. */
export async function liftsOf(work: Work, childId: number): Promise<Lift[]> {
  return tablesOf(work).select(
    `SELECT l.task_id AS taskId, l.found, l.spoke_to AS spokeTo, l.from_day AS fromDay, l.at_step AS atStep, p.name AS liftedByName, l.lifted_at AS liftedAt
     FROM stop_lifts l JOIN people p ON p.id = l.lifted_by WHERE l.child_id = :childId AND l.kind = 'lifted' ORDER BY l.id DESC`,
    { childId },
  );
}

/** How many tasks of a person's children are on hold after an injury report. */
export async function countOpenStops(work: Work, personId: number): Promise<number> {
  const [row] = await tablesOf(work).select<{ count: number }>(
    `SELECT COUNT(DISTINCT r.child_id, r.task_id) AS count FROM reports r JOIN child_access a ON a.child_id = r.child_id JOIN children c ON c.id = r.child_id
     WHERE r.holds = 1 AND a.person_id = :personId AND c.left_on IS NULL`,
    { personId },
  );
  return Number(row?.count ?? 0);
}
