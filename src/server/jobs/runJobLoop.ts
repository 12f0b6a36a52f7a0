import { calendarDayInZone } from '@/core/calendar';
import { addJobs, inTransaction, markSystem, workplaceOf } from '@/db';
import type { Context } from '../context';
import { planReminders } from '../messages/reminders';
import { appendTrail, MOST_AT_ONCE } from './appendTrail';
import { backupJob, cleanUpJob } from './jobs';
import { runNext, type OnFault } from './runDue';

export interface RunningOptions {
  /** Names this runner among others. */
  readonly worker: string;
  /** How many jobs are done beside each other. */
  readonly lanes: number;
  /** Once it is aborted, what is under way is ended and nothing more begun. */
  readonly stop: AbortSignal;
  readonly wait: (milliseconds: number) => Promise<void>;
  readonly onFault: OnFault;
}

const IDLE_MILLISECONDS = 250;
const FAULT_MILLISECONDS = 1_000;
const TIDY_EVERY_MILLISECONDS = 3_600_000;
const MARK_EVERY_MILLISECONDS = 10_000;

/** Looks for jobs and does them, until it is stopped. */
export async function runJobLoop(context: Context, options: RunningOptions): Promise<void> {
  const lanes = Array.from({ length: options.lanes }, (_, index) =>
    lane(options, async () => (await runNext(context, `${options.worker}-${index}`, options.onFault)) !== null),
  );
  let tidied = -Infinity;
  let marked = -Infinity;
  const trail = lane(options, async () => {
    if (context.now() - marked > MARK_EVERY_MILLISECONDS) {
      await inTransaction(context.db, (work) => markSystem(work, 'worker', context.now()));
      marked = context.now();
    }
    if (context.now() - tidied > TIDY_EVERY_MILLISECONDS) {
      await planDay(context);
      tidied = context.now();
    }
    // Appended by the handful, not one by one: only a full hand is followed by the next at once.
    return (await appendTrail(context)) >= MOST_AT_ONCE;
  });
  await Promise.all([...lanes, trail]);
}

/** Does one thing after the other; waits where there was nothing to do, longer where it failed. */
async function lane({ stop, wait, onFault }: RunningOptions, doOne: () => Promise<boolean>): Promise<void> {
  while (!stop.aborted) {
    try {
      if (!(await doOne())) await wait(IDLE_MILLISECONDS);
    } catch (error) {
      onFault(error);
      await wait(FAULT_MILLISECONDS);
    }
  }
}

/** Schedules the daily cleanup and, where configured, the daily backup: once per day of the workplace, however many runners do so. */
async function planDay(context: Context): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { timeZone } = await workplaceOf(work);
    const day = calendarDayInZone(now, timeZone);
    await planReminders(work, context);
    await addJobs(work, [cleanUpJob(day, now), ...(context.backups ? [backupJob(day, now)] : [])]);
  });
}
