import { instant, type Instant } from '@/core/calendar';
import type { Random } from '@/core/random';

/** Tries before a job is given up and shown to a person. With the waits below that is about a day. */
export const MOST_ATTEMPTS = 12;
const FIRST_WAIT_MILLISECONDS = 2_000;
const LONGEST_WAIT_MILLISECONDS = 4 * 3_600_000;

/**
 * When a job that failed is tried again: the wait doubles with each try up to four hours, and its later half is drawn, so
 * that jobs that failed together do not come back together. Null where it is given up.
 * @param attempts tries so far, from 1
 * @example the first waits 1 to 2 s, the second 2 to 4 s, the third 4 to 8 s
 */
export function nextTry(attempts: number, now: Instant, random: Random): Instant | null {
  if (attempts >= MOST_ATTEMPTS) return null;
  const longest = Math.min(LONGEST_WAIT_MILLISECONDS, FIRST_WAIT_MILLISECONDS * 2 ** (attempts - 1));
  return instant(now + longest / 2 + (random() * longest) / 2);
}
