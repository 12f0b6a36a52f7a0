import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

/** Parts that store the moment of their last success. */
export type SystemMark = 'worker' | 'backup';

export async function systemMarks(work: Work): Promise<Record<SystemMark, Instant | null>> {
  const rows = await tablesOf(work).select<{ name: SystemMark; markedAt: Instant | null }>(
    'SELECT name, marked_at AS markedAt FROM system_marks',
  );
  const at = (mark: SystemMark) => rows.find(({ name }) => name === mark)?.markedAt ?? null;
  return { worker: at('worker'), backup: at('backup') };
}

export interface DueJobs {
  readonly count: number;
  /** Since when the oldest waits; null where none does. */
  readonly oldestAt: Instant | null;
}

/** Jobs whose time has come and that no worker holds. */
export async function dueJobs(work: Work, now: Instant): Promise<DueJobs> {
  const [row] = await tablesOf(work).select<{ count: number; oldestAt: Instant | null }>(
    `SELECT COUNT(*) AS count, MIN(run_after) AS oldestAt FROM jobs
     WHERE is_open = 1 AND run_after <= :now AND (lease_until IS NULL OR lease_until <= :now)`,
    { now: momentText(now) },
  );
  return { count: Number(row?.count ?? 0), oldestAt: row?.oldestAt ?? null };
}

/** The newest daily backup that was asked for; null where none was. */
export async function newestBackupJob(work: Work): Promise<{ isDone: boolean; lastError: string } | null> {
  const [row] = await tablesOf(work).select<{ isDone: number; lastError: string }>(
    "SELECT done_at IS NOT NULL AS isDone, last_error AS lastError FROM jobs WHERE kind = 'backup' ORDER BY id DESC LIMIT 1",
  );
  return row ? { isDone: Boolean(row.isDone), lastError: row.lastError } : null;
}
