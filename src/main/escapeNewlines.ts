import { inspect } from 'node:util';
import pino from 'pino';

const STANDARD_ERROR = 2;

/**
 * What the frame says on standard error, in lines of its own, becomes a line of the log, one a fault. An error that has a digest is told by
 * `onRequestError` already, where one looks for it by what the page shows.
 */
export function escapeNewlines(destination = pino.destination(STANDARD_ERROR)): void {
  const log = pino({ name: 'yard-frame', level: process.env.YARD_LOG_LEVEL ?? 'warn' }, destination);
  const write = (...said: unknown[]) => {
    const isTold = said.some((each) => each instanceof Error && 'digest' in each);
    if (!isTold) log.warn(said.map((each) => (typeof each === 'string' ? each : inspect(each, { breakLength: Infinity }))).join(' '));
  };
  console.error = write;
  console.warn = write;
}
