import { addDays, calendarDayInZone, mondayOf, weekdayOf, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { languageOf, type Language } from '@/core/text';
import {
  childrenOf,
  inReading,
  printedLogs,
  reportLog,
  versionHolding,
  versionOf,
  workplaceOf,
  type IncomingRow,
  type PrintedLog,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { textsWaiting } from './textsWaiting';
import { askedByText, type AskedByText } from './replies/replyTasks';
import { loggedReports, type LoggedReport } from './loggedReports';

/** A task as the slip of a week has it: a row, with a box for each day on which it was in the program. */
export interface EntryRow extends AskedByText {
  /** The days of the week on which it may have been done. */
  readonly days: readonly CalendarDay[];
}

export interface EntrySheet {
  readonly childId: number;
  readonly name: string;
  readonly language: Language;
  readonly days: readonly CalendarDay[];
  readonly rows: readonly EntryRow[];
  /** Reports of these days so far, by any way. */
  readonly known: readonly LoggedReport[];
  /** Texts of the family that wait for a person, oldest first. */
  readonly texts: readonly IncomingRow[];
  readonly emergencyNumber: string;
  /** The printed logs that this week may have been filled in on, newest first. */
  readonly logs: readonly PrintedLog[];
  /** The number of the log that is typed: its tasks, steps and days. Null where each day is typed by the version of that day. */
  readonly log: number | null;
}

export interface EntryView {
  readonly today: CalendarDay;
  readonly timeZone: string;
  /** The Monday of the week that is typed. */
  readonly monday: CalendarDay;
  readonly children: readonly { readonly id: number; readonly name: string; readonly isPaper: boolean }[];
  readonly sheet: EntrySheet | null;
}

/** Reports are typed in for as many days back as a family may tell of. */
export const ENTRY_DAYS_BACK = 60;

/**
 * Lists the tasks that were asked for on each day, by the version that was in force on it. A paper log counts for the version that
 * was printed, whatever was sent meanwhile.
 * @param log the number of the printed version; null for a report that came by another way
 */
export async function weekOf(
  work: Work,
  childId: number,
  language: string,
  days: readonly CalendarDay[],
  log: number | null,
): Promise<Map<CalendarDay, readonly AskedByText[]>> {
  const asked = new Map<CalendarDay, readonly AskedByText[]>();
  const printed = log === null ? null : await versionOf(work, childId, log);
  for (const day of days) {
    const version = printed ?? (await versionHolding(work, childId, day));
    asked.set(day, version && version.startsOn <= day ? await askedByText(work, childId, version, language) : []);
  }
  return asked;
}

/** The children whose slips may be typed in, and one child’s week, ready to be filled. @throws AppError notFound, notAllowed */
export async function viewEntry(
  context: Context,
  actor: PersonActor,
  options: { readonly childId: number | null; readonly monday: CalendarDay | null; readonly isPaper: boolean; readonly log: number | null },
): Promise<EntryView> {
  const view = await inReading(context.db, async (work) => {
    const { timeZone } = await workplaceOf(work);
    const today = calendarDayInZone(context.now(), timeZone);
    const monday = mondayOf(options.monday ?? today);
    const children = (await childrenOf(work, actor.personId)).map(({ child }) => ({
      id: child.id,
      name: nameOf(child),
      isPaper: child.reportWay === 'paper',
    }));
    const sheet =
      options.childId === null ? null : await sheetOf(work, context, actor, { ...options, childId: options.childId, monday, today });
    return { today, timeZone, monday, children, sheet };
  });
  if (view.sheet) await context.looks.note(entryOf(actor, context.now(), [view.sheet.childId], 'child.viewed'));
  return view;
}

interface SheetOptions {
  readonly childId: number;
  readonly monday: CalendarDay;
  readonly today: CalendarDay;
  readonly isPaper: boolean;
  readonly log: number | null;
}

async function sheetOf(work: Work, context: Context, actor: PersonActor, options: SheetOptions): Promise<EntrySheet> {
  const { childId, monday, today, isPaper } = options;
  const { child } = await requireChild(work, actor, childId, 'settleDecision');
  const logs = isPaper ? await printedLogs(work, childId) : [];
  const log = logs.find(({ number }) => number === options.log)?.number ?? logAtHome(logs, monday, child.timeZone);
  const past = [0, 1, 2, 3, 4, 5, 6].map((count) => addDays(monday, count)).filter((day) => day <= today);
  const week = await weekOf(work, childId, child.familyLanguage, past, log);
  // The printed log has boxes on the days of its tasks alone.
  const isBox = (day: CalendarDay, task: AskedByText) => log === null || task.weekdays.includes(weekdayOf(day));
  const rows = new Map<number, EntryRow>();
  for (const [day, tasks] of week)
    for (const task of tasks) {
      const before = rows.get(task.taskId)?.days ?? [];
      rows.set(task.taskId, { ...task, days: isBox(day, task) ? [...before, day] : before });
    }
  const days = past.filter((day) => log === null || [...rows.values()].some((row) => row.days.includes(day)));
  const known = (await reportLog(work, childId, { since: monday, most: 300 })).filter(({ doneOn }) => doneOn <= addDays(monday, 6));
  const texts = await textsWaiting(work, context, [childId]);
  const language = languageOf(child.familyLanguage);
  return {
    childId,
    name: nameOf(child),
    language,
    days,
    rows: [...rows.values()].sort((one, other) => (one.letter ?? 'Z').localeCompare(other.letter ?? 'Z')),
    known: await loggedReports(work, known),
    texts,
    emergencyNumber: (await workplaceOf(work)).emergencyNumber,
    logs,
    log,
  };
}

/** The log that lay at home in a week: the newest that was printed before it began, else the first one that was printed at all. */
function logAtHome(logs: readonly PrintedLog[], monday: CalendarDay, timeZone: string): number | null {
  const before = logs.find(({ printedAt }) => calendarDayInZone(printedAt, timeZone) < monday);
  return (before ?? logs.at(-1))?.number ?? null;
}
