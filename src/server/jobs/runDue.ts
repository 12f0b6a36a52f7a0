import type { Work } from '@/db';
import type { Context } from '../context';
import { appendTrail } from './appendTrail';
import { claim, type ClaimedJob } from './claim';
import { HANDLERS, type LeasedKind } from './handlers';
import type { JobHandler } from './jobHandler';
import { JOB_PAYLOADS } from './jobs';
import { settle, settleFailed } from './settle';

const KINDS = Object.keys(HANDLERS) as LeasedKind[];

/** Called with each error, and with the job that failed, where it was one. */
export type OnFault = (error: unknown, job?: { readonly kind: string; readonly attempts: number }) => void;

export type JobEnd = 'done' | 'putOff' | 'givenUp';

/** Does the next due job, if there is one. A failed act is no error here: it is put off, and given up in the end. */
export async function runNext(context: Context, worker: string, onFault: OnFault = () => {}): Promise<JobEnd | null> {
  const job = await claim(context, worker, KINDS);
  return job && run(context, job, onFault);
}

/** Does all that is due now, one after the other, and appends the trail. Gives back how many jobs that were. */
export async function runDue(context: Context, worker: string): Promise<number> {
  let count = await appendTrail(context);
  while (await runNext(context, worker)) count += 1;
  return count;
}

async function run(context: Context, job: ClaimedJob, onFault: OnFault): Promise<JobEnd> {
  const kind = job.kind as LeasedKind;
  const handler = HANDLERS[kind] as JobHandler<unknown, unknown> | undefined;
  const nothing = async (_work: Work) => {};
  if (!handler) return settleFailed(context, job, new Error(`No handler for ${job.kind}`), nothing);
  const payload = JOB_PAYLOADS[kind].parse(job.payload);
  try {
    const ready = await handler.prepare(context, payload);
    if (ready === null) {
      await settle(context, job, nothing);
      return 'done';
    }
    await handler.act(context, ready);
  } catch (error) {
    onFault(error, job);
    return settleFailed(context, job, error, (work) => handler.giveUp(work, context, payload));
  }
  await settle(context, job, (work) => handler.settle(work, context, payload));
  return 'done';
}
