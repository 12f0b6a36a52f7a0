import { calendarDayInZone, weekdayOf, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/child';
import type { ProgramTask, ProgramVersion } from '@/core/program';
import { childById, inTransaction, noteFirstOpening, reportLog, unreadReports, versionHolding, workplaceOf, type LogEntry } from '@/db';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { familyOf } from './familyLink';

/** What a family said of a task today. */
export type SaidToday = LogEntry;

export interface FamilyTask {
  readonly task: ProgramTask;
  /** The latest report of this task that was done today. */
  readonly reportedToday: SaidToday | null;
  /** Something hurt at this task, and no person has read of it yet. */
  readonly onHold: boolean;
}

export interface FamilyView {
  readonly child: Child;
  readonly today: CalendarDay;
  /** The version that holds today; one that is yet to begin where none has begun. */
  readonly version: ProgramVersion | null;
  /** Planned for today, in the order of the parts. */
  readonly tasks: readonly FamilyTask[];
  readonly otherTasks: readonly FamilyTask[];
  readonly emergencyNumber: string;
}

const REPORTS_LOOKED_AT = 40;

/** What a family sees of its day. Opening it for the first time is noted. */
export async function viewFamily(context: Context, token: string): Promise<FamilyView> {
  const now = context.now();
  const { actor, link, view } = await inTransaction(context.db, async (work) => {
    const { actor, link } = await familyOf(work, token, now);
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    const today = calendarDayInZone(now, child.timeZone);
    const version = await versionHolding(work, child.id, today);
    const reports = await reportLog(work, child.id, { since: today, most: REPORTS_LOOKED_AT });
    const { emergencyNumber } = await workplaceOf(work);
    const unread = await unreadReports(work, [child.id]);
    const all = (version?.tasks ?? []).map((task): FamilyTask => ({
      task,
      reportedToday: reports.find((report) => report.taskId === task.taskId && report.doneOn === today) ?? null,
      onHold: unread.some((report) => report.safetyWord && report.taskId === task.taskId),
    }));
    const isToday = ({ task }: FamilyTask) => task.weekdays.includes(weekdayOf(today));
    const tasks = all.filter(isToday);
    return { actor, link, view: { child, today, version, tasks, otherTasks: all.filter((task) => !isToday(task)), emergencyNumber } };
  });
  if (link.firstOpenedAt === null) await inTransaction(context.db, (work) => noteFirstOpening(work, link.id, now));
  await context.looks.note(entryOf(actor, now, [view.child.id], 'family.viewed'));
  return view;
}
