import { instant, type Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

export interface Tries {
  readonly tries: number;
  readonly endsAt: Instant;
}

/**
 * Counts one more try under a key, whichever process asks. After so many milliseconds from the first the count begins anew.
 * @param key of plain letters: an address is hashed before
 */
export async function countTryOf(work: Work, key: string, at: Instant, milliseconds: number): Promise<Tries> {
  const [row] = await tablesOf(work).select<{ tries: number; endsAt: Instant }>(
    `INSERT INTO sign_in_tries (try_key, tries, ends_at) VALUES (:key, 1, :until)
     ON DUPLICATE KEY UPDATE tries = IF(ends_at <= :now, 1, tries + 1), ends_at = IF(ends_at <= :now, :until, ends_at)
     RETURNING tries, ends_at AS endsAt`,
    { key, now: momentText(at), until: momentText(instant(at + milliseconds)) },
  );
  return row!;
}

export async function clearTries(work: Work, key: string): Promise<void> {
  await tablesOf(work).remove('sign_in_tries', { try_key: key });
}

/** Takes one try off again: it was a right one. */
export async function uncountTry(work: Work, key: string, at: Instant): Promise<void> {
  await tablesOf(work).select(
    `INSERT INTO sign_in_tries (try_key, tries, ends_at) VALUES (:key, 0, :now)
     ON DUPLICATE KEY UPDATE tries = GREATEST(tries, 1) - 1 RETURNING tries`,
    { key, now: momentText(at) },
  );
}
