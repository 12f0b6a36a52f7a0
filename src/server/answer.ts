import { randomUUID } from 'node:crypto';
import { unstable_rethrow } from 'next/navigation';
import pino from 'pino';
import { isDatabaseAway } from '@/db';
import { AppError, type AppErrorCode } from './errors';

export interface Fault {
  readonly code: AppErrorCode;
  readonly detail: unknown;
  /** Where to find it in the log; null for what people can mend themselves. */
  readonly logId: string | null;
}

export type Answer<Value> = { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly fault: Fault };

const STANDARD_ERROR = 2;
const log = pino({ name: 'yard', level: process.env.YARD_LOG_LEVEL ?? 'warn' }, pino.destination(STANDARD_ERROR));

/** The one exit that turns errors into answers: an AppError keeps its code, all else becomes a general one and a log id. */
export async function answer<Value>(job: () => Promise<Value>): Promise<Answer<Value>> {
  try {
    return { ok: true, value: await job() };
  } catch (error) {
    // Next's redirect and notFound travel as throws.
    unstable_rethrow(error);
    return { ok: false, fault: faultOf(error) };
  }
}

function faultOf(error: unknown): Fault {
  if (error instanceof AppError) return { code: error.code, detail: error.detail, logId: null };
  const logId = randomUUID().slice(0, 8);
  const code = isDatabaseAway(error) ? 'databaseAway' : 'unexpected';
  if (code === 'databaseAway') log.warn({ logId, cause: String(error) }, code);
  else log.error({ logId, err: error }, code);
  return { code, detail: null, logId };
}
