import type { CalendarDay, SchoolYear } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';
import type { Workplace } from './read';

/** The one row that says where this is. */
export async function setUpWorkplace(
  work: Work,
  { emergencyNumber, timeZone }: Pick<Workplace, 'emergencyNumber' | 'timeZone'>,
): Promise<void> {
  // INSERT … RETURNING, since the id is ours and no auto-increment.
  await tablesOf(work).select(
    'INSERT INTO workplace (id, emergency_number, time_zone) VALUES (1, :emergencyNumber, :timeZone) ON DUPLICATE KEY UPDATE time_zone = :timeZone RETURNING id',
    { emergencyNumber, timeZone },
  );
}

export async function changeEmergencyNumber(work: Work, emergencyNumber: string): Promise<void> {
  await tablesOf(work).update('workplace', { emergency_number: emergencyNumber }, { id: 1 });
}

export async function changeInjuryEmail(work: Work, isOn: boolean): Promise<void> {
  await tablesOf(work).update('workplace', { injury_email: isOn }, { id: 1 });
}

export async function changeHoldMinutes(work: Work, postMinutes: number): Promise<void> {
  await tablesOf(work).update('workplace', { post_minutes: postMinutes }, { id: 1 });
}

export async function addSchool(work: Work, name: string, visitDays: string): Promise<number> {
  return tablesOf(work).insert('schools', { name, visit_days: visitDays });
}

/** The school of that name, written down if it is new. */
export async function schoolNamed(work: Work, name: string): Promise<number> {
  const tables = tablesOf(work);
  const [row] = await tables.select<{ id: number }>('SELECT id FROM schools WHERE name = :name', { name });
  return row?.id ?? tables.insert('schools', { name, visit_days: '' });
}

export async function changeVisitDays(work: Work, schoolId: number, visitDays: string): Promise<void> {
  await tablesOf(work).update('schools', { visit_days: visitDays }, { id: schoolId });
}

/** A school year with its breaks and reporting periods; one that begins on the same day is written anew. */
export async function addSchoolYear(work: Work, { firstDay, lastDay, breaks, periods }: SchoolYear): Promise<number> {
  const tables = tablesOf(work);
  await tables.remove('school_years', { first_day: firstDay });
  const yearId = await tables.insert('school_years', { first_day: firstDay, last_day: lastDay });
  const rows = (spans: SchoolYear['breaks']) =>
    spans.map(({ name, from, to }) => ({ school_year_id: yearId, name, from_day: from, to_day: to }));
  await tables.insertAll('school_breaks', rows(breaks));
  await tables.insertAll('reporting_periods', rows(periods));
  return yearId;
}

/** Takes a year away, as when its first day moves. */
export async function deleteSchoolYear(work: Work, firstDay: CalendarDay): Promise<void> {
  await tablesOf(work).remove('school_years', { first_day: firstDay });
}

export async function changeLanguages(work: Work, languages: readonly string[]): Promise<void> {
  await tablesOf(work).update('workplace', { languages }, { id: 1 });
}

export type SignInRules = Pick<Workplace, 'idleMinutes' | 'signInDays' | 'factorRequired'>;

export async function changeSignInRules(work: Work, { idleMinutes, signInDays, factorRequired }: SignInRules): Promise<void> {
  await tablesOf(work).update(
    'workplace',
    { idle_minutes: idleMinutes, sign_in_days: signInDays, factor_required: factorRequired },
    { id: 1 },
  );
}

export type KeepingRules = Pick<Workplace, 'auditDays' | 'messageDays' | 'leftChildYears' | 'clipDays'>;

export async function changeKeepingRules(work: Work, { auditDays, messageDays, leftChildYears, clipDays }: KeepingRules): Promise<void> {
  await tablesOf(work).update(
    'workplace',
    { audit_days: auditDays, message_days: messageDays, left_child_years: leftChildYears, clip_days: clipDays },
    { id: 1 },
  );
}

/** All that stands here was invented: it may be thrown away. */
export async function markAsDemo(work: Work): Promise<void> {
  await tablesOf(work).update('workplace', { is_demo: true }, { id: 1 });
}
