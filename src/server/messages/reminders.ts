import {
  MILLISECONDS_PER_DAY,
  MILLISECONDS_PER_HOUR,
  afterQuiet,
  calendarDayInZone,
  daysBetween,
  instant,
  isQuiet,
  nextWallTime,
  weekdayOf,
  type CalendarDay,
  type Instant,
  type QuietHours,
} from '@/core/calendar';
import { NO_REMINDERS, reachContact, reachOf, reachWays, remindersSchema, type Child, type Reach, type Reminders } from '@/core/students';
import { askedOn, isActiveOn, SILENCE_DAYS, silentSince } from '@/core/programs';
import {
  addJobs,
  addMessage,
  childById,
  childrenWithReminders,
  inTransaction,
  lastWords,
  openStops,
  remindedSince,
  remindersOf,
  reportLog,
  setRemindersOf,
  versionHolding,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import type { JobHandler } from '../jobs/jobHandler';
import { deliverJob, remindJob, type PayloadOf } from '../jobs/jobs';
import { invalid, parseInput } from '../parseInput';
import { exampleOf, listWords } from '../reports/replies/answerWords';
import { askedByText } from '../reports/replies/replyTasks';
import { familyOf } from '../reports/familyLink';
import { replyWords } from './textWords';

export interface RemindersView {
  readonly child: Child;
  readonly reminders: Reminders;
  /** The services that the family can choose between. */
  readonly ways: readonly Reach['way'][];
  /** When nothing goes out to the family; null where it named no quiet hours. */
  readonly quiet: QuietHours | null;
}

/** Returns the reminder settings of a family. @throws AppError link… */
export async function viewReminders(context: Context, token: string): Promise<RemindersView> {
  return inTransaction(context.db, async (work) => {
    const { actor } = await familyOf(work, token, context.now());
    const child = (await childById(work, actor.childId))!;
    const reminders = (await remindersOf(work, actor.childId)) ?? NO_REMINDERS;
    return { child, reminders, ways: reachWays(child.contacts), quiet: quietOf(child, reminders) };
  });
}

/** A family says when it wishes to be reminded, or that it doesn't. @throws AppError link…, invalid */
export async function saveReminders(context: Context, token: string, raw: unknown): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const { actor } = await familyOf(work, token, context.now());
    const reminders = parseInput(remindersSchema, raw);
    refuseQuiet((await childById(work, actor.childId))!, reminders);
    await setRemindersOf(work, actor.childId, reminders);
    await recordChanges(work, context.now(), [entryOf(actor, context.now(), [actor.childId], 'reminders.changed', saidOf(reminders))]);
  });
}

/** The therapist sets them for a family that said so, or stops them. @throws AppError notFound, notAllowed, invalid */
export async function setReminders(context: Context, actor: PersonActor, childId: number, raw: unknown): Promise<void> {
  const reminders = parseInput(remindersSchema, raw);
  await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    refuseQuiet(child, reminders);
    await setRemindersOf(work, childId, reminders);
    await recordChanges(work, context.now(), [entryOf(actor, context.now(), [childId], 'reminders.changed', saidOf(reminders))]);
  });
}

const quietOf = (child: Child, { way }: Reminders) => reachContact(child.contacts, way)?.quiet ?? null;

/** A reminder of today that waits for the morning is of yesterday: such an hour is not taken. */
function refuseQuiet(child: Child, reminders: Reminders): void {
  const quiet = quietOf(child, reminders);
  const isOn = reminders.weekdays.length > 0 || reminders.afterSilence;
  if (isOn && quiet && quiet.from !== quiet.to && isQuiet(reminders.at, quiet)) throw invalid({ path: 'at', code: 'quietHour' });
}

const saidOf = ({ weekdays, at, afterSilence, way, mayName }: Reminders) => ({
  to: [weekdays.join(' ') || '–', at, afterSilence && '+', way, mayName && 'named'].filter(Boolean).join(' '),
});

/** Plans the next reminder of every family that wishes one: one job a family and moment, however often it is planned. */
export async function planReminders(work: Work, context: Context): Promise<void> {
  const now = context.now();
  const jobs = (await childrenWithReminders(work)).flatMap(({ childId, timeZone, reminders: { weekdays, at, afterSilence } }) => [
    ...(weekdays.length > 0 ? [remindJob({ childId, why: 'day', at }, now, nextWallTime(now, timeZone, at, weekdays))] : []),
    ...(afterSilence ? [remindJob({ childId, why: 'silence', at }, now, nextWallTime(now, timeZone, at, [1, 2, 3, 4, 5, 6, 7]))] : []),
  ]);
  await addJobs(work, jobs);
}

/** A reminder whose time has come: it goes out where it is still wished, and there is something to remind of. */
export const remindHandler: JobHandler<PayloadOf<'remind'>, true> = {
  prepare: async () => true,
  act: async () => {},
  async settle(work, context, { childId, why, at }) {
    const child = await childById(work, childId);
    const reminders = await remindersOf(work, childId);
    // The family is gone, or has chosen another hour since.
    const isReached = child !== null && (context.phone !== null || reachContact(child.contacts) !== null);
    if (!isReached || reminders?.at !== at) return;
    const words = why === 'day' ? await dayWords(work, context, child, reminders) : await silenceWords(work, context, child, reminders);
    if (!words) return;
    const now = context.now();
    const { way } = reminders;
    const goesAt = quietFor(child, now, way);
    // Quiet hours that were named since would bring the reminder of a day on the next one.
    if (why === 'day' && calendarDayInZone(goesAt, child.timeZone) !== calendarDayInZone(now, child.timeZone)) return;
    const reach = way && reachOf(child.contacts, way);
    const message = {
      childId,
      kind: 'reminder' as const,
      words,
      createdBy: null,
      createdAt: now,
      sendAt: goesAt > now ? goesAt : null,
      ...(reach && { reach }),
    };
    await addJobs(work, [deliverJob(await addMessage(work, message), now, goesAt)]);
  },
  giveUp: async () => {},
};

/** When a message to a family may go out, by the quiet hours of whom it reaches. */
export function quietFor(child: Child, at: Instant, way: Reach['way'] | null = null): Instant {
  return afterQuiet(at, child.timeZone, reachContact(child.contacts, way)?.quiet ?? null);
}

/** Student that a message is about, where the family agreed to the name: "Yard Steps, Yara: …". */
const aboutOf = (child: Child, { mayName }: Reminders) => (mayName ? `, ${child.calledName}` : '');

/** Null where there is nothing to do today, or all of it has its word. */
async function dayWords(work: Work, context: Context, child: Child, reminders: Reminders): Promise<string | null> {
  const now = context.now();
  const today = calendarDayInZone(now, child.timeZone);
  if (!reminders.weekdays.includes(weekdayOf(today))) return null;
  const open = await openToday(work, child, today);
  if (!open || open.length === 0) return null;
  const told = await reportLog(work, child.id, { since: today, most: 50 });
  const left = open.filter(({ taskId }) => !told.some((report) => report.taskId === taskId));
  if (left.length === 0) return null;
  const say = await replyWords(child.familyLanguage);
  return say('reminder', { about: aboutOf(child, reminders), list: listWords(left, say), example: exampleOf(child.familyLanguage, left) });
}

/** Null where there was a word in the last week, from them or gently from us. */
async function silenceWords(work: Work, context: Context, child: Child, reminders: Reminders): Promise<string | null> {
  const now = context.now();
  const today = calendarDayInZone(now, child.timeZone);
  if (!reminders.afterSilence) return null;
  const version = await versionHolding(work, child.id, today);
  const open = await openToday(work, child, today);
  if (!version || !open) return null;
  const since = silentSince(version, (await lastWords(work, [child.id])).get(child.id) ?? null);
  // A message about a new version has just been sent: the gentle one waits a week after it.
  if (daysBetween(since > version.sentOn ? since : version.sentOn, today) < SILENCE_DAYS) return null;
  const tasks = open.length > 0 ? open : await askedByText(work, child.id, version, child.familyLanguage);
  const say = await replyWords(child.familyLanguage);
  const words = say('quiet', { about: aboutOf(child, reminders), example: exampleOf(child.familyLanguage, tasks) });
  return (await remindedSince(work, child.id, instant(now - SILENCE_DAYS * MILLISECONDS_PER_DAY + MILLISECONDS_PER_HOUR))) ? null : words;
}

async function openToday(work: Work, child: Child, today: CalendarDay) {
  const version = await versionHolding(work, child.id, today);
  if (!version || !isActiveOn(version, today)) return null;
  const onHold = new Set((await openStops(work, [child.id])).map(({ taskId }) => taskId));
  return askedOn({ ...version, tasks: await askedByText(work, child.id, version, child.familyLanguage) }, today, onHold);
}
