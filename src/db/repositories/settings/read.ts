import { calendarDay, type CalendarDay, type SchoolYear } from '@/core/calendar';
import { readTexts } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

export interface Workplace {
  readonly emergencyNumber: string;
  /** An email without details goes to the lead when something hurt. */
  readonly injuryEmail: boolean;
  readonly timeZone: string;
  /** How long the trail of looks and changes is kept. */
  readonly auditDays: number;
  /** How long a message waits for what else is decided, and can be taken back; 0 sends at once. */
  readonly postMinutes: number;
  /** Languages that families may be written to in. */
  readonly languages: readonly string[];
  /** After so many minutes without a request a session is over. */
  readonly idleMinutes: number;
  /** Longest session, in days. */
  readonly signInDays: number;
  /** True where everybody gives a second factor. */
  readonly factorRequired: boolean;
  /** How long messages, and texts that came in, are kept. */
  readonly messageDays: number;
  /** After so many years off the caseload a child is deleted; null where a person does it. */
  readonly leftChildYears: number | null;
  /** How long what families send back, clips and pictures, is kept. */
  readonly clipDays: number;
}

const UNSET: Workplace = {
  emergencyNumber: '911',
  injuryEmail: true,
  timeZone: 'America/Denver',
  auditDays: 1095,
  postMinutes: 10,
  languages: ['en', 'es'],
  idleMinutes: 120,
  signInDays: 7,
  factorRequired: false,
  messageDays: 1095,
  leftChildYears: null,
  clipDays: 30,
};

export async function workplaceOf(work: Work): Promise<Workplace> {
  const [row] = await tablesOf(work).select<
    Omit<Workplace, 'languages' | 'factorRequired' | 'injuryEmail'> & { languages: unknown; factorRequired: number; injuryEmail: number }
  >(
    `SELECT emergency_number AS emergencyNumber, injury_email AS injuryEmail, time_zone AS timeZone, audit_days AS auditDays, post_minutes AS postMinutes, languages,
       idle_minutes AS idleMinutes, sign_in_days AS signInDays, factor_required AS factorRequired, message_days AS messageDays,
       left_child_years AS leftChildYears, clip_days AS clipDays
     FROM workplace WHERE id = 1`,
  );
  return row
    ? { ...row, languages: readTexts(row.languages), factorRequired: Boolean(row.factorRequired), injuryEmail: Boolean(row.injuryEmail) }
    : UNSET;
}

/** The school year that a day lies in, else the latest one; null where none is set. */
export async function schoolCalendarOn(work: Work, day: CalendarDay): Promise<SchoolYear | null> {
  const tables = tablesOf(work);
  const [year] = await tables.select<{ id: number; first_day: string; last_day: string }>(
    'SELECT id, first_day, last_day FROM school_years ORDER BY (:day BETWEEN first_day AND last_day) DESC, first_day DESC LIMIT 1',
    { day },
  );
  if (!year) return null;
  const spansIn = async (table: 'school_breaks' | 'reporting_periods') => {
    const rows = await tables.select<{ name: string; from_day: string; to_day: string }>(
      `SELECT name, from_day, to_day FROM ${table} WHERE school_year_id = :id ORDER BY from_day`,
      { id: year.id },
    );
    return rows.map(({ name, from_day, to_day }) => ({ name, from: calendarDay(from_day), to: calendarDay(to_day) }));
  };
  return {
    firstDay: calendarDay(year.first_day),
    lastDay: calendarDay(year.last_day),
    breaks: await spansIn('school_breaks'),
    periods: await spansIn('reporting_periods'),
  };
}

export interface School {
  readonly id: number;
  readonly name: string;
  readonly visitDays: string;
}

export async function schoolsHere(work: Work): Promise<School[]> {
  return tablesOf(work).select('SELECT id, name, visit_days AS visitDays FROM schools ORDER BY name');
}

/** The steps that the schema has gone, in their order. */
export async function migrationNames(work: Work): Promise<string[]> {
  const rows = await tablesOf(work).select<{ name: string }>('SELECT name FROM schema_migrations ORDER BY name');
  return rows.map(({ name }) => name);
}

/** How many steps the schema has gone. */
export async function countMigrations(work: Work): Promise<number> {
  const [row] = await tablesOf(work).select<{ count: number }>('SELECT COUNT(*) AS count FROM schema_migrations');
  return row?.count ?? 0;
}

/** True where the demo made what stands here. */
export async function isDemo(work: Work): Promise<boolean> {
  const [row] = await tablesOf(work).select<{ isDemo: number }>('SELECT is_demo AS isDemo FROM workplace WHERE id = 1');
  return Boolean(row?.isDemo);
}
