import { z } from 'zod';
import { calendarDayInZone, type SchoolCalendar } from '@/core/calendar';
import {
  changeAuditDays,
  changeEmergencyNumber,
  changeLanguages,
  changePostMinutes,
  inTransaction,
  openInvitations,
  openSignIns,
  peopleHere,
  schoolCalendarOn,
  workplaceOf,
  type OpenSignIn,
  type Workplace,
} from '@/db';
import { LANGUAGES } from '@/core/text';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { may } from '../may';
import { parseInput } from '../parseInput';

export interface SettingsView extends Workplace {
  readonly calendar: SchoolCalendar | null;
  readonly signIns: readonly OpenSignIn[];
  readonly people: Awaited<ReturnType<typeof peopleHere>>;
  readonly invitations: Awaited<ReturnType<typeof openInvitations>>;
  readonly mayChange: boolean;
  /** Every language that families can be written to in. */
  readonly allLanguages: readonly string[];
}

export async function viewSettings(context: Context, actor: PersonActor): Promise<SettingsView> {
  return inTransaction(context.db, async (work) => {
    const workplace = await workplaceOf(work);
    const calendar = await schoolCalendarOn(work, calendarDayInZone(context.now(), workplace.timeZone));
    return {
      ...workplace,
      calendar,
      signIns: await openSignIns(work, actor.personId, context.now()),
      people: await peopleHere(work),
      invitations: await openInvitations(work, context.now()),
      mayChange: may(actor, null, 'changeWorkplace'),
      allLanguages: LANGUAGES,
    };
  });
}

const numberSchema = z.object({
  emergencyNumber: z
    .string()
    .trim()
    .regex(/^[0-9+ ()-]{2,20}$/),
});

/** The number that families are told to call in an emergency. @throws AppError notAllowed, invalid */
export async function setEmergencyNumber(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { emergencyNumber } = parseInput(numberSchema, { emergencyNumber: raw });
  await inTransaction(context.db, (work) => changeEmergencyNumber(work, emergencyNumber));
}

/** A month at least, so that what happened can be found out; ten years at most. */
const auditDaysSchema = z.object({ auditDays: z.coerce.number().int().min(30).max(3653) });

/** How long the trail of looks and changes is kept. @throws AppError notAllowed, invalid */
export async function setAuditDays(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { auditDays } = parseInput(auditDaysSchema, { auditDays: raw });
  await inTransaction(context.db, (work) => changeAuditDays(work, auditDays));
}

const postMinutesSchema = z.object({ postMinutes: z.coerce.number().int().min(0).max(60) });

/** How long a message to a family waits for what else is decided of it, and can be taken back. @throws AppError notAllowed, invalid */
export async function setPostMinutes(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { postMinutes } = parseInput(postMinutesSchema, { postMinutes: raw });
  await inTransaction(context.db, (work) => changePostMinutes(work, postMinutes));
}

const languagesSchema = z.object({ languages: z.array(z.enum(LANGUAGES)).min(1, 'notALanguage') });

/** In which languages families may be written to. @throws AppError notAllowed, invalid */
export async function setLanguages(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { languages } = parseInput(languagesSchema, { languages: raw });
  await inTransaction(context.db, (work) => changeLanguages(work, languages));
}
