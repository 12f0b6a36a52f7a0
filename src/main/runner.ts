import { hostname } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import pino from 'pino';
import { runJobLoop } from '@/server/jobs/runJobLoop';
import { contextFrom } from './contextFrom';

/** Does what is left to be done after commits: texts, the trail, tidying. Several may run beside each other. `runner.ts` */
const log = pino({ name: 'yard-runner', level: process.env.YARD_LOG_LEVEL ?? 'warn' }, pino.destination(2));
const LANES = 3;
const context = contextFrom(process.env, { max: LANES + 2 });

const stopping = new AbortController();
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => stopping.abort());

const worker = `${hostname().slice(0, 30)}-${process.pid}`;
await runJobLoop(context, {
  worker,
  lanes: LANES,
  stop: stopping.signal,
  wait: (milliseconds) => pause(milliseconds, undefined, { signal: stopping.signal }).catch(() => {}),
  onFault: (error, job) => {
    const cause = error instanceof Error ? `${error.name} ${error.message}` : String(error);
    if (!job) return log.warn({ cause }, 'a job could not be looked for or settled');
    const { kind, attempts } = job;
    log.warn(
      { kind, attempts, cause },
      kind === 'backup' ? 'the daily backup failed and will be retried' : 'a job failed and will be retried',
    );
  },
});
await context.db.close();
if (context.owner !== context.db) await context.owner.close();
