import type { Instant } from '@/core/calendar';
import { dueJobs, inReading, newestBackupJob, systemMarks } from '@/db';
import type { Context } from '../context';

/** The worker leaves a mark every few seconds; after so long without one it has stopped. Our own choice. */
const WORKER_SILENT_MILLISECONDS = 60_000;
/** A job that is due waits a second at most while a worker runs. Our own choice. */
const QUEUE_LATE_MILLISECONDS = 600_000;
/** Less free space than this, and reports may soon be refused. Our own choice. */
const LEAST_FREE_BYTES = 1_000_000_000;

/** Whether what runs without a person runs. Nothing of it is about a student. */
export interface SystemState {
  readonly worker: { readonly ok: boolean; readonly seenAt: Instant | null };
  readonly queue: { readonly ok: boolean; readonly waiting: number; readonly oldestSeconds: number };
  /** `isOn` is false where no folder for daily backups is set. */
  readonly backup: { readonly ok: boolean; readonly isOn: boolean; readonly lastAt: Instant | null };
  readonly disk: { readonly ok: boolean; readonly freeBytes: number };
}

export type SystemPart = keyof SystemState;

/** @throws Error where the database or the disk does not answer */
export async function systemState(context: Context): Promise<SystemState> {
  const now = context.now();
  const freeBytes = await context.media.freeBytes();
  return inReading(context.db, async (work) => {
    const marks = await systemMarks(work);
    const due = await dueJobs(work, now);
    const backup = await newestBackupJob(work);
    const waited = due.oldestAt === null ? 0 : now - due.oldestAt;
    return {
      worker: { ok: marks.worker !== null && now - marks.worker < WORKER_SILENT_MILLISECONDS, seenAt: marks.worker },
      queue: { ok: waited < QUEUE_LATE_MILLISECONDS, waiting: due.count, oldestSeconds: Math.round(waited / 1_000) },
      backup: {
        ok: !context.backups || !backup || backup.isDone || backup.lastError === '',
        isOn: context.backups !== null,
        lastAt: marks.backup,
      },
      disk: { ok: freeBytes >= LEAST_FREE_BYTES, freeBytes },
    };
  });
}

/** The parts that need a person, worst first. */
export function failingParts(state: SystemState): SystemPart[] {
  return (['disk', 'worker', 'queue', 'backup'] as const).filter((part) => !state[part].ok);
}
