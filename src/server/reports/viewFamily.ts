import { calendarDayInZone, weekdayOf, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/child';
import type { ProgramTask, ProgramVersion } from '@/core/program';
import { addAudit, childById, currentVersions, inTransaction, reportLog, unreadReports, workplaceOf, type LogEntry } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { familyOf } from './familyLink';

export interface FamilyTask {
  readonly task: ProgramTask;
  /** The latest report of this task that was done today. */
  readonly reportedToday: LogEntry | null;
  /** Something hurt at this task, and no person has read of it yet. */
  readonly onHold: boolean;
}

export interface FamilyView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly version: ProgramVersion | null;
  /** Planned for today, in the order of the parts. */
  readonly tasks: readonly FamilyTask[];
  readonly otherTasks: readonly FamilyTask[];
  readonly emergencyNumber: string;
}

/** What a family sees of its day. Opening it for the first time is noted. */
export async function viewFamily(context: Context, token: string): Promise<FamilyView> {
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { actor, link } = await familyOf(work, token, now);
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    const today = calendarDayInZone(now, child.timeZone);
    const version = (await currentVersions(work, [child.id])).get(child.id) ?? null;
    const reports = await reportLog(work, child.id, { since: today, most: 40 });
    const { emergencyNumber } = await workplaceOf(work);
    const unread = await unreadReports(work, [child.id]);
    if (link.firstOpenedAt === null) await work.update('family_links', { first_opened_at: now }, { id: link.id });
    await addAudit(work, { at: now, personId: null, linkId: link.id, childIds: [child.id], action: 'family.viewed' });
    const all = (version?.tasks ?? []).map((task): FamilyTask => ({
      task,
      reportedToday: reports.find((report) => report.taskId === task.taskId && report.doneOn === today) ?? null,
      onHold: unread.some((report) => report.safetyWord && report.taskId === task.taskId),
    }));
    const isToday = ({ task }: FamilyTask) => task.weekdays.includes(weekdayOf(today));
    return { child, today, version, tasks: all.filter(isToday), otherTasks: all.filter((task) => !isToday(task)), emergencyNumber };
  });
}
