import { randomUUID } from 'node:crypto';
import pino from 'pino';
import { isDatabaseAway } from '@/db';
import { AppError, type AppErrorCode, type FaultDetails } from './errors';

/** A fault as it is told: its code, what is safe to show beside it, and where to find it in the log. */
export type Fault = {
  [Code in AppErrorCode]: {
    readonly code: Code;
    readonly detail: FaultDetails[Code] | null;
    /** Null for what people can mend themselves. */
    readonly logId: string | null;
  };
}[AppErrorCode];

export type Answer<Value> = { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly fault: Fault };

const STANDARD_ERROR = 2;
const log = pino({ name: 'yard', level: process.env.YARD_LOG_LEVEL ?? 'warn' }, pino.destination(STANDARD_ERROR));

/**
 * The one exit that turns errors into answers: an AppError keeps its code, all else becomes a general one and a log id.
 * @param passOn rethrows what is no error but the frame's own way of going elsewhere
 */
export async function answer<Value>(job: () => Promise<Value>, passOn: (error: unknown) => void = () => {}): Promise<Answer<Value>> {
  try {
    return { ok: true, value: await job() };
  } catch (error) {
    passOn(error);
    return { ok: false, fault: faultOf(error) };
  }
}

function faultOf(error: unknown): Fault {
  if (error instanceof AppError) return { code: error.code, detail: error.detail, logId: null } as Fault;
  const logId = randomUUID().slice(0, 8);
  const code = isDatabaseAway(error) ? 'databaseAway' : 'unexpected';
  if (code === 'databaseAway') log.warn({ logId, cause: nameOf(error) }, code);
  else log.error({ logId, cause: nameOf(error), stack: error instanceof Error ? error.stack : undefined }, code);
  return { code, detail: null, logId };
}

/** A fault that reached nobody who answers for it: `digest` is the id that the page shows. */
export function logUncaught(error: unknown, where: Readonly<Record<string, string>>): void {
  const { digest } = error as { digest?: string };
  log.error({ logId: digest ?? randomUUID().slice(0, 8), cause: nameOf(error), ...where }, 'uncaught');
}

/** Names an error without the statement of the database that it carries: families' comments must not reach a log. */
function nameOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const { name, code, errno } = error as Error & { code?: unknown; errno?: unknown };
  const inner = (error as { original?: unknown }).original;
  const causes = inner instanceof Error ? `, ${nameOf(inner)}` : '';
  return [name, code, errno].filter((each) => each !== undefined).join(' ') + causes;
}
