import { type CalendarDay, type Instant, calendarDay, type SchoolCalendar } from '@/core/calendar';
import type { Work } from '../work';

export interface Person {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly role: 'therapist' | 'assistant' | 'supervisor';
  readonly passwordHash: string;
}

export async function personByEmail(work: Work, email: string): Promise<Person | null> {
  const [row] = await work.select<Person>('SELECT id, name, email, role, password_hash AS passwordHash FROM people WHERE email = :email', {
    email,
  });
  return row ?? null;
}

export interface SignIn {
  readonly id: number;
  readonly personId: number;
  readonly name: string;
  readonly role: Person['role'];
  readonly expiresAt: Instant;
  readonly revokedAt: Instant | null;
}

export async function signInByHash(work: Work, tokenHash: string): Promise<SignIn | null> {
  const [row] = await work.select<SignIn>(
    `SELECT s.id, s.person_id AS personId, p.name, p.role, s.expires_at AS expiresAt, s.revoked_at AS revokedAt
     FROM sign_ins s JOIN people p ON p.id = s.person_id WHERE s.token_hash = :tokenHash`,
    { tokenHash },
  );
  return row ?? null;
}

export async function openSignIns(work: Work, personId: number, now: Instant) {
  return work.select<{ id: number; device: string; createdAt: Instant; expiresAt: Instant }>(
    `SELECT id, device, created_at AS createdAt, expires_at AS expiresAt FROM sign_ins
     WHERE person_id = :personId AND revoked_at IS NULL AND expires_at > :now ORDER BY id DESC`,
    { personId, now: new Date(now) },
  );
}

export interface Workplace {
  readonly emergencyNumber: string;
  readonly timeZone: string;
}

export async function workplaceOf(work: Work): Promise<Workplace> {
  const [row] = await work.select<Workplace>(
    'SELECT emergency_number AS emergencyNumber, time_zone AS timeZone FROM workplace WHERE id = 1',
  );
  return row ?? { emergencyNumber: '911', timeZone: 'America/Denver' };
}

/** The school year that a day lies in, else the latest one; null where none is set. */
export async function schoolCalendarOn(work: Work, day: CalendarDay): Promise<SchoolCalendar | null> {
  const [year] = await work.select<{ id: number; first_day: string; last_day: string }>(
    'SELECT id, first_day, last_day FROM school_years ORDER BY (:day BETWEEN first_day AND last_day) DESC, first_day DESC LIMIT 1',
    { day },
  );
  if (!year) return null;
  const breaks = await work.select<{ name: string; from_day: string; to_day: string }>(
    'SELECT name, from_day, to_day FROM school_breaks WHERE school_year_id = :id ORDER BY from_day',
    { id: year.id },
  );
  return {
    firstDay: calendarDay(year.first_day),
    lastDay: calendarDay(year.last_day),
    breaks: breaks.map((pause) => ({ name: pause.name, from: calendarDay(pause.from_day), to: calendarDay(pause.to_day) })),
  };
}
