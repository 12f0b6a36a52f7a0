import { addDays, calendarDayInZone, daysBetween, weekdayOf, type CalendarDay, type Instant } from '@/core/calendar';
import type { Child } from '@/core/students';
import type { ProgramTask, ProgramVersion } from '@/core/programs';
import {
  childById,
  clipsById,
  inReading,
  inTransaction,
  liftsOf,
  recordFirstOpening,
  notesOf,
  openStops,
  readerOf,
  reportLog,
  sentBackClips,
  versionHolding,
  workplaceOf,
  type FamilyNote,
  type Lift,
  type LogEntry,
  type Stop,
} from '@/db';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf } from '../secrets';
import { bareClip, type BareClip } from '../videos/bareClip';
import { withheldOf } from '../programs/withheld';
import { familyOf } from './familyLink';

/** Today's report of a task. */
export type SaidToday = LogEntry;

/** `fromSchool`: what the school reported, where no one at home did. */
export type Closed =
  | { readonly kind: 'stop'; readonly fromSchool: string | null }
  /** A safety card about it waits for the therapist's answer. */
  | { readonly kind: 'review' }
  | { readonly kind: 'until'; readonly day: CalendarDay };

export interface FamilyTask {
  readonly task: ProgramTask;
  /** The latest report of this task that was done today. */
  readonly reportedToday: SaidToday | null;
  /** How often it was told of today: two phones may each have a word of their own. */
  readonly timesToday: number;
  /** Something hurt at this task: closed till a person lifts the stop, or open again from a day on. */
  readonly closed: Closed | null;
  /** Clips and pictures that show how it is done, as far as there are any still. */
  readonly shown: readonly BareClip[];
  /** Videos and pictures that this family sent of it, the latest first. */
  readonly sentBack: readonly BareClip[];
}

export interface FamilyView {
  readonly child: Child;
  /** The same for every link of the child, and nothing of it: a report kept under a closed link finds the next one by it. */
  readonly familyKey: string;
  /** The server's moment, by which a phone with a wrong clock is put right. */
  readonly now: Instant;
  readonly today: CalendarDay;
  /** The version that holds today; one that is yet to begin where none has begun. */
  readonly version: ProgramVersion | null;
  /** Planned for today, in the order of the parts. */
  readonly tasks: readonly FamilyTask[];
  readonly otherTasks: readonly FamilyTask[];
  readonly emergencyNumber: string;
  /** Days for which the family's videos are stored. */
  readonly clipDays: number;
  /** Messages of the therapist, latest first: notes, and reopened tasks. */
  readonly notes: readonly FamilyNote[];
  readonly lifts: readonly Lift[];
  /** The reader of reports and their weekdays, where known. */
  readonly reader: { readonly name: string; readonly days: readonly number[] } | null;
  /** The last seven days, today the last: whether anything was done, nothing was told, or nothing was asked. */
  readonly week: readonly { readonly day: CalendarDay; readonly state: 'done' | 'none' | 'off' }[];
  /** Activities of yesterday that nothing was reported of, and that are open. */
  readonly untoldYesterday: readonly FamilyTask[];
  /** Something hurt today: no praise, whatever else was done. */
  readonly hurtToday: boolean;
}

const REPORTS_LOOKED_AT = 200;
const WEEK = 7;
const NOTES_SHOWN = 5;
/** Days for which the family's page says that a task is open again. */
const LIFT_DAYS = 14;

/** Returns the family's day. The first time a person opens it is recorded. */
export async function viewFamily(context: Context, token: string, reader: 'person' | 'robot' = 'person'): Promise<FamilyView> {
  const now = context.now();
  const { actor, link, view } = await inReading(context.db, async (work) => {
    const { actor, link } = await familyOf(work, token, now);
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    const today = calendarDayInZone(now, child.timeZone);
    const version = await versionHolding(work, child.id, today);
    const ofWeek = await reportLog(work, child.id, { since: addDays(today, 1 - WEEK), most: REPORTS_LOOKED_AT });
    const reports = ofWeek.filter(({ doneOn }) => doneOn >= today);
    const { emergencyNumber, clipDays } = await workplaceOf(work);
    const stops = await openStops(work, [child.id]);
    const withheld = await withheldOf(work, child, version, today);
    const lifts = (await liftsOf(work, child.id)).filter(
      ({ liftedAt }) => daysBetween(calendarDayInZone(liftedAt, child.timeZone), today) <= LIFT_DAYS,
    );
    const reader = await readerOf(work, child.id);
    const notes = await notesOf(work, child.id, NOTES_SHOWN);
    const requested = (version?.tasks ?? []).flatMap(({ choices }) => choices.clips ?? []);
    const shown = (await clipsById(work, requested, today)).filter(({ childId }) => childId === null || childId === child.id);
    // Also where nobody asks any more: what was sent can be taken back at any time.
    const sentBack = await sentBackClips(work, [child.id], today);
    const all = (version?.tasks ?? []).map((task): FamilyTask => ({
      task,
      reportedToday: reports.find((report) => report.taskId === task.taskId && report.doneOn === today && tellsOfPractice(report)) ?? null,
      timesToday: reports.filter(
        (report) => report.taskId === task.taskId && report.doneOn === today && report.done && tellsOfPractice(report),
      ).length,
      closed: closedBy(task.taskId, stops, lifts, today) ?? (withheld.undecided.has(task.taskId) ? { kind: 'review' } : null),
      shown: shown.filter(({ id }) => task.choices.clips?.includes(id)).map(bareClip),
      sentBack: sentBack
        .filter(({ taskId }) => taskId === task.taskId)
        .map(bareClip)
        .toReversed(),
    }));
    const isToday = ({ task }: FamilyTask) => task.weekdays.includes(weekdayOf(today));
    const tasks = all.filter(isToday);
    const hurtToday = reports.some(({ doneOn, danger, mistake }) => doneOn === today && danger !== null && !mistake);
    const otherTasks = all.filter((task) => !isToday(task));
    const week = weekOf(version, ofWeek, today);
    const yesterday = week.find(({ day, state }) => day === addDays(today, -1) && state !== 'off')?.day;
    const untoldYesterday = all.filter(
      ({ task, closed }) =>
        yesterday !== undefined &&
        closed === null &&
        task.weekdays.includes(weekdayOf(yesterday)) &&
        !ofWeek.some(({ taskId, doneOn }) => taskId === task.taskId && doneOn === yesterday),
    );
    return {
      actor,
      link,
      view: {
        child,
        familyKey: hashOf(`family ${child.id}`).slice(0, 24),
        now,
        today,
        version,
        tasks,
        otherTasks,
        emergencyNumber,
        clipDays,
        notes,
        lifts,
        reader,
        hurtToday,
        week,
        untoldYesterday,
      },
    };
  });
  // A messaging service that looks at the page for a preview is not the family.
  if (reader === 'robot') return view;
  if (link.firstOpenedAt === null) await inTransaction(context.db, (work) => recordFirstOpening(work, link.id, now));
  await context.looks.noteSometimes(`family ${link.id}`, entryOf(actor, now, [view.child.id], 'family.viewed'));
  return view;
}

/** A word that something hurt is no word of how the practice went: it is neither ticked nor put right by the next one. */
function tellsOfPractice({ mistake, danger, amount, done }: LogEntry): boolean {
  return !mistake && (danger === null || amount !== null || !done);
}

function weekOf(version: ProgramVersion | null, reports: readonly LogEntry[], today: CalendarDay): FamilyView['week'] {
  if (!version) return [];
  return Array.from({ length: WEEK }, (_, index) => addDays(today, index + 1 - WEEK)).map((day) => {
    const isAsked =
      (day >= version.startsOn || version.number > 1) &&
      day <= version.endsOn &&
      version.tasks.some(({ weekdays }) => weekdays.includes(weekdayOf(day)));
    const isTold = reports.some((report) => report.doneOn === day && report.done && tellsOfPractice(report));
    return { day, state: isTold ? 'done' : isAsked ? 'none' : 'off' };
  });
}

function closedBy(taskId: number, stops: readonly Stop[], lifts: readonly Lift[], today: CalendarDay): Closed | null {
  const own = stops.filter((stop) => stop.taskId === taskId);
  if (own.length > 0) return { kind: 'stop', fromSchool: own.every(({ way }) => way === 'teacher') ? own.at(-1)!.words : null };
  const fromDay = lifts.find((lift) => lift.taskId === taskId)?.fromDay ?? null;
  return fromDay !== null && fromDay > today ? { kind: 'until', day: fromDay } : null;
}
