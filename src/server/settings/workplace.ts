import { z } from 'zod';
import { calendarDayInZone, type SchoolCalendar } from '@/core/calendar';
import { inTransaction, openSignIns, schoolCalendarOn, workplaceOf } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';

export interface SettingsView {
  readonly emergencyNumber: string;
  readonly timeZone: string;
  readonly calendar: SchoolCalendar | null;
  readonly signIns: readonly { readonly id: number; readonly device: string; readonly createdAt: number; readonly expiresAt: number }[];
}

export async function viewSettings(context: Context, actor: PersonActor): Promise<SettingsView> {
  return inTransaction(context.db, async (work) => {
    const workplace = await workplaceOf(work);
    const calendar = await schoolCalendarOn(work, calendarDayInZone(context.now(), workplace.timeZone));
    return { ...workplace, calendar, signIns: await openSignIns(work, actor.personId, context.now()) };
  });
}

const numberSchema = z
  .string()
  .trim()
  .regex(/^[0-9+ ()-]{2,20}$/);

/** The number that families are told to call in an emergency. */
export async function setEmergencyNumber(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  if (actor.role === 'assistant') throw new AppError('notAllowed');
  const number = numberSchema.safeParse(raw);
  if (!number.success) throw new AppError('invalid', { field: 'emergencyNumber' });
  await inTransaction(context.db, (work) => work.update('workplace', { emergency_number: number.data }, { id: 1 }));
}
