import { calendarDay, type CalendarDay, type SchoolCalendar } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface Workplace {
  readonly emergencyNumber: string;
  readonly timeZone: string;
  /** How long the trail of looks and changes is kept. */
  readonly auditDays: number;
  /** How long a message waits for what else is decided, and can be taken back; 0 sends at once. */
  readonly postMinutes: number;
}

const UNSET: Workplace = { emergencyNumber: '911', timeZone: 'America/Denver', auditDays: 1095, postMinutes: 10 };

export async function workplaceOf(work: Work): Promise<Workplace> {
  const [row] = await tablesOf(work).select<Workplace>(
    'SELECT emergency_number AS emergencyNumber, time_zone AS timeZone, audit_days AS auditDays, post_minutes AS postMinutes FROM workplace WHERE id = 1',
  );
  return row ?? UNSET;
}

/** The school year that a day lies in, else the latest one; null where none is set. */
export async function schoolCalendarOn(work: Work, day: CalendarDay): Promise<SchoolCalendar | null> {
  const tables = tablesOf(work);
  const [year] = await tables.select<{ id: number; first_day: string; last_day: string }>(
    'SELECT id, first_day, last_day FROM school_years ORDER BY (:day BETWEEN first_day AND last_day) DESC, first_day DESC LIMIT 1',
    { day },
  );
  if (!year) return null;
  const breaks = await tables.select<{ name: string; from_day: string; to_day: string }>(
    'SELECT name, from_day, to_day FROM school_breaks WHERE school_year_id = :id ORDER BY from_day',
    { id: year.id },
  );
  return {
    firstDay: calendarDay(year.first_day),
    lastDay: calendarDay(year.last_day),
    breaks: breaks.map((pause) => ({ name: pause.name, from: calendarDay(pause.from_day), to: calendarDay(pause.to_day) })),
  };
}

/** How many steps the schema has gone. */
export async function countMigrations(work: Work): Promise<number> {
  const [row] = await tablesOf(work).select<{ count: number }>('SELECT COUNT(*) AS count FROM schema_migrations');
  return row?.count ?? 0;
}
