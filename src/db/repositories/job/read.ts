import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

export interface Job {
  readonly id: number;
  readonly kind: string;
  readonly payload: unknown;
  /** Tries so far, this one included. */
  readonly attempts: number;
}

/** How the job with a key stands; null where there is none. */
export interface JobStanding {
  readonly attempts: number;
  readonly lastError: string;
  readonly isDone: boolean;
  readonly isGivenUp: boolean;
}

export async function jobByKey(work: Work, key: string): Promise<JobStanding | null> {
  const [row] = await tablesOf(work).select<{ attempts: number; lastError: string; doneAt: Instant | null; givenUpAt: Instant | null }>(
    'SELECT attempts, last_error AS lastError, done_at AS doneAt, given_up_at AS givenUpAt FROM jobs WHERE job_key = :key',
    { key },
  );
  return row ? { attempts: row.attempts, lastError: row.lastError, isDone: row.doneAt !== null, isGivenUp: row.givenUpAt !== null } : null;
}

/** When the next job of these kinds is due; null where none is open. */
export async function nextDue(work: Work, kinds: readonly string[]): Promise<Instant | null> {
  const [row] = await tablesOf(work).select<{ due: Instant | null }>(
    'SELECT MIN(GREATEST(run_after, COALESCE(lease_until, run_after))) AS due FROM jobs WHERE is_open = 1 AND kind IN (:kinds)',
    { kinds },
  );
  return row?.due ?? null;
}

/** The oldest open jobs of a kind, locked until the transaction ends; those that somebody else holds are passed over. */
export async function lockOpenJobs(work: Work, kind: string, most: number): Promise<Job[]> {
  return tablesOf(work).select<Job>(
    `SELECT id, kind, payload, attempts FROM jobs WHERE is_open = 1 AND kind = :kind ORDER BY run_after, id LIMIT :most FOR UPDATE SKIP LOCKED`,
    { kind, most },
  );
}

/** The next due job of these kinds that nobody leases, locked until the transaction ends. */
export async function lockDueJob(work: Work, kinds: readonly string[], now: Instant): Promise<Job | null> {
  const [row] = await tablesOf(work).select<Job>(
    `SELECT id, kind, payload, attempts FROM jobs
     WHERE is_open = 1 AND kind IN (:kinds) AND run_after <= :now AND (lease_until IS NULL OR lease_until <= :now)
     ORDER BY run_after, id LIMIT 1 FOR UPDATE SKIP LOCKED`,
    { kinds, now: momentText(now) },
  );
  return row ?? null;
}
