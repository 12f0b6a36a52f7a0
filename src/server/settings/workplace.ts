import { z } from 'zod';
import { calendarDayInZone, type SchoolCalendar } from '@/core/calendar';
import {
  changeEmergencyNumber,
  changeInjuryEmail,
  changeKeepingRules,
  changeLanguages,
  changeHoldMinutes,
  changeSignInRules,
  inTransaction,
  ownTrail,
  openInvitations,
  openSignIns,
  peopleHere,
  advancingReasonOf,
  advancingRuleOf,
  readDaysOf,
  schoolCalendarOn,
  workplaceOf,
  type AuditRow,
  type OpenSignIn,
  type Work,
  type Workplace,
} from '@/db';
import { RULE_LIMITS, type LimitedRule } from '@/core/settings';
import { LANGUAGES } from '@/core/text';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { parseInput } from '../parseInput';
import { isConfirmed, requireConfirmed } from '../accounts/sessions';
import type { RuleName } from '@/core/stepRules';
import { viewFactor, type FactorView } from '../accounts/secondFactor';

export interface SettingsView extends Workplace {
  readonly calendar: SchoolCalendar | null;
  readonly signIns: readonly OpenSignIn[];
  readonly people: Awaited<ReturnType<typeof peopleHere>>;
  readonly invitations: Awaited<ReturnType<typeof openInvitations>>;
  /** The weekdays on which the actor reads what families send. */
  readonly readDays: readonly number[];
  /** Rule by which steps are suggested to the actor, where nothing is chosen for a student. */
  readonly advancingRule: RuleName;
  /** Why it was taken, in the actor's own words. */
  readonly advancingReason: string;
  /** False where no mail server is set up: no email reaches anyone. */
  readonly emailIsSent: boolean;
  readonly mayChange: boolean;
  readonly mayChangeTrust: boolean;
  /** True where the password was given lately: what takes it is open. */
  readonly isConfirmed: boolean;
  readonly factor: FactorView;
  /** The settings of the installation ask everybody for a second factor. */
  readonly factorByInstallation: boolean;
  /** Log of the actor's own account, the newest first. */
  readonly ownTrail: readonly AuditRow[];
  /** Every language that families can be written to in. */
  readonly allLanguages: readonly string[];
}

const OWN_TRAIL_ROWS = 12;

export async function viewSettings(context: Context, actor: PersonActor): Promise<SettingsView> {
  const factor = await viewFactor(context, actor);
  return inTransaction(context.db, async (work) => {
    const workplace = await workplaceOf(work);
    const calendar = await schoolCalendarOn(work, calendarDayInZone(context.now(), workplace.timeZone));
    return {
      ...workplace,
      calendar,
      signIns: await openSignIns(work, actor.personId, context.now()),
      people: await peopleHere(work),
      invitations: await openInvitations(work, context.now()),
      readDays: await readDaysOf(work, actor.personId),
      advancingRule: (await advancingRuleOf(work, actor.personId)) ?? 'streak',
      advancingReason: await advancingReasonOf(work, actor.personId),
      emailIsSent: context.texts.reaches?.('email') ?? true,
      mayChange: may(actor, null, 'changeWorkplace'),
      mayChangeTrust: may(actor, null, 'changeTrust'),
      isConfirmed: isConfirmed(context, actor),
      factor,
      factorByInstallation: context.house.factorRequired,
      ownTrail: await ownTrail(work, actor.personId, OWN_TRAIL_ROWS),
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

/** The number that families are told to call in an emergency. @throws AppError notAllowed, confirmNeeded, invalid */
export async function setEmergencyNumber(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  const { emergencyNumber } = parseInput(numberSchema, { emergencyNumber: raw });
  await change(context, actor, 'emergencyNumber', emergencyNumber, (work) => changeEmergencyNumber(work, emergencyNumber));
}

/** Whether the lead gets one email a day, without details, when a family reports an injury. @throws AppError notAllowed, confirmNeeded */
export async function setInjuryEmail(context: Context, actor: PersonActor, isOn: boolean): Promise<void> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  await change(context, actor, 'injuryEmail', isOn ? 'on' : 'off', (work) => changeInjuryEmail(work, isOn));
}

/** A number as a form gives it, within its limits. */
const ofForm = (rule: LimitedRule, code: string = rule) =>
  z.coerce.number().int().min(RULE_LIMITS[rule].least, code).max(RULE_LIMITS[rule].most, code);

const keepingSchema = z.object({
  auditDays: ofForm('auditDays'),
  messageDays: ofForm('messageDays'),
  clipDays: ofForm('clipDays'),
  /** Empty: a person deletes, and no clock. */
  leftChildYears: z.union([z.literal('').transform(() => null), ofForm('leftChildYears', 'childYears')]),
});

/** How long the trail, messages and children who left are kept. @throws AppError notAllowed, confirmNeeded, invalid */
export async function setKeeping(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  const rules = parseInput(keepingSchema, raw);
  const said = `${rules.auditDays}, ${rules.messageDays}, ${rules.leftChildYears ?? '–'}, ${rules.clipDays}`;
  await change(context, actor, 'keeping', said, (work) => changeKeepingRules(work, rules));
}

const signInRulesSchema = z.object({
  idleMinutes: ofForm('idleMinutes'),
  signInDays: ofForm('signInDays'),
  factorRequired: z.preprocess((value) => value === 'on', z.boolean()),
});

/** How long a session lasts, and whether everybody gives a second factor. @throws AppError notAllowed, confirmNeeded, invalid */
export async function setSignInRules(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  const rules = parseInput(signInRulesSchema, raw);
  const said = `${rules.idleMinutes} min, ${rules.signInDays} d, ${rules.factorRequired ? 'two-step verification' : '–'}`;
  await change(context, actor, 'signIn', said, (work) => changeSignInRules(work, rules));
}

const postMinutesSchema = z.object({ postMinutes: ofForm('postMinutes') });

/** How long a message to a family waits for what else is decided of it, and can be taken back. @throws AppError notAllowed, invalid */
export async function setHoldMinutes(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { postMinutes } = parseInput(postMinutesSchema, { postMinutes: raw });
  await change(context, actor, 'postMinutes', postMinutes, (work) => changeHoldMinutes(work, postMinutes));
}

const languagesSchema = z.object({ languages: z.array(z.enum(LANGUAGES)).min(1, 'notALanguage') });

/** In which languages families may be written to. @throws AppError notAllowed, invalid */
export async function setLanguages(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'changeWorkplace');
  const { languages } = parseInput(languagesSchema, { languages: raw });
  await change(context, actor, 'languages', languages.join(', '), (work) => changeLanguages(work, languages));
}

/** Changes that concern everyone are recorded with their author and new value. */
async function change(
  context: Context,
  actor: PersonActor,
  setting: string,
  to: string | number,
  write: (work: Work) => Promise<void>,
): Promise<void> {
  await inTransaction(context.db, async (work) => {
    await write(work);
    await recordChanges(work, context.now(), [entryOf(actor, context.now(), [], 'settings.changed', { setting, to })]);
  });
}
