import { inspect } from 'node:util';
import pino from 'pino';

const STANDARD_ERROR = 2;

/**
 * Turns the framework's multi-line output on standard error into log lines, one a fault. An error with a digest is logged by
 * `onRequestError` already, where it is found by the digest that the page shows.
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
