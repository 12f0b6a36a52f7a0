import type { SchoolCalendar } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';
import type { Workplace } from './read';

/** The one row that says where this is. */
export async function setUpWorkplace(
  work: Work,
  { emergencyNumber, timeZone }: Omit<Workplace, 'auditDays' | 'postMinutes'>,
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

export async function changeAuditDays(work: Work, auditDays: number): Promise<void> {
  await tablesOf(work).update('workplace', { audit_days: auditDays }, { id: 1 });
}

export async function changePostMinutes(work: Work, postMinutes: number): Promise<void> {
  await tablesOf(work).update('workplace', { post_minutes: postMinutes }, { id: 1 });
}

export async function addSchool(work: Work, name: string, visitDays: string): Promise<number> {
  return tablesOf(work).insert('schools', { name, visit_days: visitDays });
}

export async function addSchoolYear(work: Work, { firstDay, lastDay, breaks }: SchoolCalendar): Promise<number> {
  const tables = tablesOf(work);
  const yearId = await tables.insert('school_years', { first_day: firstDay, last_day: lastDay });
  await tables.insertAll(
    'school_breaks',
    breaks.map((pause) => ({ school_year_id: yearId, name: pause.name, from_day: pause.from, to_day: pause.to })),
  );
  return yearId;
}
