import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

export interface Job {
  readonly id: number;
  readonly kind: string;
  readonly payload: unknown;
  /** Tries so far, this one included. */
  readonly attempts: number;
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
