import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

export interface NewJob {
  readonly kind: string;
  /** Two jobs of one key are one job. */
  readonly key: string;
  readonly payload: object;
  readonly at: Instant;
  readonly runAfter: Instant;
}

/** Writes jobs in the transaction of what causes them; one whose key is known already stands as it is. */
export async function addJobs(work: Work, jobs: readonly NewJob[]): Promise<void> {
  await tablesOf(work).insertOrKeep(
    'jobs',
    jobs.map(({ kind, key, payload, at, runAfter }) => ({ kind, job_key: key, payload, created_at: at, run_after: runAfter })),
    ['id'],
  );
}

/** Lease of a job: its holder and its end; afterwards anyone may take it. */
export interface Lease {
  readonly by: string;
  readonly until: Instant;
  readonly attempts: number;
}

export async function leaseJob(work: Work, jobId: number, { by, until, attempts }: Lease): Promise<void> {
  await tablesOf(work).update('jobs', { lease_by: by, lease_until: until, attempts }, { id: jobId });
}

/** A job is settled by the very try that leased it: one whose lease ran out and was taken over changes nothing. */
interface Try {
  readonly jobId: number;
  readonly by: string;
  readonly attempts: number;
}

const ofTry = ({ jobId, by, attempts }: Try) => ({ id: jobId, lease_by: by, attempts, done_at: null, given_up_at: null });

export async function markJobDone(work: Work, which: Try, at: Instant): Promise<boolean> {
  return (await tablesOf(work).update('jobs', { done_at: at, lease_by: null, lease_until: null, last_error: '' }, ofTry(which))) > 0;
}

export async function rescheduleJob(work: Work, which: Try, runAfter: Instant, error: string): Promise<boolean> {
  return (
    (await tablesOf(work).update('jobs', { run_after: runAfter, last_error: error, lease_by: null, lease_until: null }, ofTry(which))) > 0
  );
}

export async function giveJobUp(work: Work, which: Try, at: Instant, error: string): Promise<boolean> {
  return (await tablesOf(work).update('jobs', { given_up_at: at, last_error: error, lease_by: null, lease_until: null }, ofTry(which))) > 0;
}

/** Opens a job that was given up once more, from the beginning. False where it was not given up. */
export async function reopenJob(work: Work, key: string, at: Instant): Promise<boolean> {
  const [row] = await tablesOf(work).select<{ id: number }>(
    'SELECT id FROM jobs WHERE job_key = :key AND given_up_at IS NOT NULL FOR UPDATE',
    { key },
  );
  if (!row) return false;
  await tablesOf(work).update('jobs', { given_up_at: null, attempts: 0, run_after: at, last_error: '' }, { id: row.id });
  return true;
}

/** Jobs whose effect is in these very tables go with it. */
export async function removeJobs(work: Work, ids: readonly number[]): Promise<void> {
  if (ids.length) await tablesOf(work).remove('jobs', { id: ids });
}

/** Takes away jobs that were done before a moment. */
export async function deleteDoneJobsBefore(work: Work, moment: Instant, most: number): Promise<number> {
  const tables = tablesOf(work);
  const old = await tables.select<{ id: number }>('SELECT id FROM jobs WHERE done_at < :moment ORDER BY id LIMIT :most', {
    moment: momentText(moment),
    most,
  });
  if (old.length) await tables.remove('jobs', { id: old.map(({ id }) => id) });
  return old.length;
}
