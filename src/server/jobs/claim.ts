import { instant } from '@/core/calendar';
import { inTransaction, leaseJob, lockDueJob, type Job } from '@/db';
import type { Context } from '../context';
import type { JobKind } from './jobs';

/** Longer than any act may take: after it the job is anybody's again. */
export const LEASE_MILLISECONDS = 60_000;

/** A job that this worker has leased, with the try that it is. */
export interface ClaimedJob extends Job {
  readonly by: string;
}

/** Leases the next due job of these kinds, in a short transaction of its own; null where none is due. */
export async function claim(context: Context, worker: string, kinds: readonly JobKind[]): Promise<ClaimedJob | null> {
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const job = await lockDueJob(work, kinds, now);
    if (!job) return null;
    const attempts = job.attempts + 1;
    await leaseJob(work, job.id, { by: worker, until: instant(now + LEASE_MILLISECONDS), attempts });
    return { ...job, attempts, by: worker };
  });
}
