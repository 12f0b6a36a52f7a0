import type { CalendarDay, Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface CaseloadFigures {
  readonly personId: number;
  readonly children: number;
  /** Without a program that holds today. */
  readonly overdue: number;
  /** Number of students from whom a report is expected and none has come since a day, as `daysWithoutReport` counts. */
  readonly silent: number;
  readonly reportsThisWeek: number;
}

/** How each lead's caseload stands, in one question. */
export async function caseloadFigures(
  work: Work,
  today: CalendarDay,
  silentSince: CalendarDay,
  weekSince: CalendarDay,
): Promise<CaseloadFigures[]> {
  const rows = await tablesOf(work).select<CaseloadFigures>(
    `SELECT a.person_id AS personId, COUNT(*) AS children,
       SUM(v.id IS NULL OR (v.ends_on < :today AND v.is_ended = 0)) AS overdue,
       SUM(v.id IS NOT NULL AND v.is_ended = 0 AND v.ends_on >= :today
         AND GREATEST(v.starts_on, COALESCE(v.resumes_on, v.starts_on)) <= :silentSince
         AND COALESCE((SELECT MAX(r.done_on) FROM reports r WHERE r.child_id = c.id), v.sent_on) <= :silentSince) AS silent,
       SUM((SELECT COUNT(*) FROM reports r WHERE r.child_id = c.id AND r.done_on >= :weekSince)) AS reportsThisWeek
     FROM child_access a JOIN children c ON c.id = a.child_id AND c.left_on IS NULL
       LEFT JOIN programs p ON p.child_id = c.id LEFT JOIN program_versions v ON v.program_id = p.id AND v.number = p.current_version
     WHERE a.access = 'lead' GROUP BY a.person_id`,
    { today, silentSince, weekSince },
  );
  // SUM gives back a DECIMAL, which the driver tells as text.
  const whole = ({ personId, ...counts }: CaseloadFigures) => ({
    personId,
    children: Number(counts.children),
    overdue: Number(counts.overdue),
    silent: Number(counts.silent),
    reportsThisWeek: Number(counts.reportsThisWeek),
  });
  return rows.map(whole);
}

/** A child of the workplace and who leads it, as a supervisor sees it: no more than a name and how it stands. */
export interface LedChild {
  readonly childId: number;
  readonly name: string;
  readonly school: string;
  readonly leadId: number | null;
  readonly endsOn: CalendarDay | null;
  /** When the oldest harm that nobody lifted was told; null where nothing is closed. */
  readonly hurtSince: Instant | null;
  /** Whether any person has read of it. */
  readonly hurtRead: boolean;
}

/** Every child of the workplace that is on a caseload. */
export async function allChildren(work: Work): Promise<LedChild[]> {
  const rows = await tablesOf(work).select<Omit<LedChild, 'hurtRead'> & { hurtRead: number }>(
    `SELECT c.id AS childId, CONCAT(c.called_name, ' ', c.initial, '.') AS name, s.name AS school, a.person_id AS leadId, v.ends_on AS endsOn,
       h.since AS hurtSince, COALESCE(h.isRead, 0) AS hurtRead
     FROM children c JOIN schools s ON s.id = c.school_id LEFT JOIN child_access a ON a.child_id = c.id AND a.access = 'lead'
       LEFT JOIN programs p ON p.child_id = c.id LEFT JOIN program_versions v ON v.program_id = p.id AND v.number = p.current_version
       LEFT JOIN (SELECT r.child_id, MIN(r.said_at) AS since, MIN(EXISTS (SELECT 1 FROM report_readers d WHERE d.report_id = r.id)) AS isRead
         FROM reports r WHERE r.holds = 1 GROUP BY r.child_id) h ON h.child_id = c.id
     WHERE c.left_on IS NULL ORDER BY c.called_name, c.initial, c.id`,
  );
  return rows.map((row) => ({ ...row, hurtRead: Boolean(row.hurtRead) }));
}
