import { createHash } from 'node:crypto';
import { instant } from '@/core/calendar';
import { addJobs, inTransaction, letGoOfMedia, touchMedia } from '@/db';
import type { Context } from '../context';
import type { JobHandler } from '../jobs/jobHandler';
import { deleteMediaJob, type PayloadOf } from '../jobs/jobs';

/** From the first word of a file to the row that has it go moments; a file that no row has after so long was left by a crash. */
export const GRACE_MILLISECONDS = 5 * 60_000;

/**
 * Puts a file into the store. Before it is there a job stands that takes it away again, should no clip have it by then: whatever line the
 * process dies at, nothing is left lying.
 */
export async function storeFile(context: Context, content: Uint8Array): Promise<{ hash: string; bytes: number }> {
  const hash = createHash('sha256').update(content).digest('hex');
  const now = context.now();
  await inTransaction(context.db, async (work) => {
    await touchMedia(work, hash, content.length, now);
    await addJobs(work, [deleteMediaJob(hash, now, instant(now + GRACE_MILLISECONDS + 1))]);
  });
  await context.media.put(content);
  return { hash, bytes: content.length };
}

export const deleteMediaHandler: JobHandler<PayloadOf<'dropMedia'>, string> = {
  prepare: async (_context, { hash }) => hash,
  async act(context, hash) {
    await inTransaction(context.db, async (work) => {
      const stands = await letGoOfMedia(work, hash, instant(context.now() - GRACE_MILLISECONDS));
      // The one thing done outside while a transaction is open, and a short one: the row's lock keeps others from putting it there anew.
      if (stands === 'free') await context.media.drop(hash);
      // A used file may have partial copies beside it, which a crash left.
      if (stands === 'used') await context.media.dropHalves(hash);
    });
  },
  settle: async () => {},
  giveUp: async () => {},
};
