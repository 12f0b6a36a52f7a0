import { calendarDayInZone } from '@/core/calendar';
import { addJobs, appendAudit, inTransaction, lockOpenJobs, removeJobs, claimUnannouncedReports } from '@/db';
import { takenEntry } from '../audit/trail';
import type { Context } from '../context';
import { injuryEmailJob, JOB_PAYLOADS, type JobKind } from './jobs';

/** Audit entries waiting in jobs and in reports. */
export const MOST_AT_ONCE = 500;

/**
 * Appends to the trail what was noted since. Trail and jobs are in the same tables, so that each entry is moved in one
 * transaction: it is there once, whoever crashes when. Gives back how many jobs and reports that were.
 */
export async function appendTrail(context: Context): Promise<number> {
  return inTransaction(context.db, async (work) => {
    const jobs = await lockOpenJobs(work, 'audit' satisfies JobKind, MOST_AT_ONCE);
    const reports = await claimUnannouncedReports(work, MOST_AT_ONCE);
    await appendAudit(work, [...jobs.flatMap(({ payload }) => JOB_PAYLOADS.audit.parse(payload).entries), ...reports.map(takenEntry)]);
    // A report by a link is one statement and no more: the lead's email follows from here.
    const hurt = reports.filter(({ isHurt }) => isHurt);
    if (hurt.length > 0)
      await addJobs(
        work,
        hurt.map(({ childId, saidAt }) => injuryEmailJob(childId, calendarDayInZone(saidAt, 'UTC'), saidAt)),
      );
    await removeJobs(
      work,
      jobs.map(({ id }) => id),
    );
    return jobs.length + reports.length;
  });
}
