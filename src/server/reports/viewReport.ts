import type { Child } from '@/core/students';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { correctionsOf, inReading, reportById, type ReportBefore } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { loggedReports, type LoggedReport } from './loggedReports';

export interface ReportView {
  readonly child: Child;
  readonly today: CalendarDay;
  readonly report: LoggedReport;
  /** Earlier values, the latest correction first. */
  readonly history: readonly ReportBefore[];
}

/** Returns a report for correction. @throws AppError notFound, notAllowed */
export async function viewReport(context: Context, actor: PersonActor, childId: number, reportId: number): Promise<ReportView> {
  const now = context.now();
  const view = await inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const entry = Number.isSafeInteger(reportId) ? await reportById(work, childId, reportId) : null;
    if (!entry) throw new AppError('notFound');
    const [report] = await loggedReports(work, [entry]);
    const today = calendarDayInZone(now, child.timeZone);
    return { child, today, report: report!, history: await correctionsOf(work, childId, reportId) };
  });
  await context.looks.note(entryOf(actor, now, [childId], 'child.viewed'));
  return view;
}
