import { giveJobUp, inTransaction, markJobDone, rescheduleJob, type Work } from '@/db';
import type { Context } from '../context';
import { nextTry } from './backoff';
import type { ClaimedJob } from './claim';

/** Writes the result of an act and the end of its job in one transaction; an attempt that lost its lease writes nothing. */
export async function settle(context: Context, job: ClaimedJob, write: (work: Work) => Promise<void>): Promise<void> {
  await inTransaction(context.db, async (work) => {
    if (await markJobDone(work, { jobId: job.id, by: job.by, attempts: job.attempts }, context.now())) await write(work);
  });
}

/** Puts a job that failed off, or gives it up after the last try. What is told of the error names no family and no words. */
export async function settleFailed(
  context: Context,
  job: ClaimedJob,
  error: unknown,
  giveUp: (work: Work) => Promise<void>,
): Promise<'putOff' | 'givenUp'> {
  const now = context.now();
  const again = nextTry(job.attempts, now, context.random);
  const which = { jobId: job.id, by: job.by, attempts: job.attempts };
  const said = nameOf(error);
  await inTransaction(context.db, async (work) => {
    if (again !== null) await rescheduleJob(work, which, again, said);
    else if (await giveJobUp(work, which, now, said)) await giveUp(work);
  });
  return again === null ? 'givenUp' : 'putOff';
}

const LONGEST_NAME = 200;

function nameOf(error: unknown): string {
  return (error instanceof Error ? `${error.name}: ${error.message}` : String(error)).slice(0, LONGEST_NAME);
}
