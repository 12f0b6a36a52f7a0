import { nameOf } from '@/core/students';
import {
  addJobs,
  clipsOfChild,
  deleteChild as removeChild,
  inTransaction,
  claimUnannouncedReportsOf,
  type AuditEntry,
  type DeletedCounts,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges, takenEntry } from '../audit/trail';
import type { Context } from '../context';
import { forgetPhoneJob } from '../jobs/jobs';
import { removeWithFiles } from '../videos/removeClip';
import { invalid } from '../parseInput';
import { requireConfirmed } from '../accounts/sessions';
import { addressOf } from '../ports';

/**
 * Removes a child with everything that speaks of it: facts, goals, programs, reports, messages, links; the text service
 * forgets the family after the commit. What stays is the trail, as a number without a name. Only who leads the child may,
 * and only by writing its name.
 */
export async function deleteChild(context: Context, actor: PersonActor, childId: number, writtenName: string): Promise<DeletedCounts> {
  requireConfirmed(context, actor);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'leadChild');
    if (writtenName.trim() !== nameOf(child)) throw invalid({ path: 'name', code: 'notTheName' });
    return removeWholly(work, context, childId, (gone) => entryOf(actor, now, [childId], 'child.deleted', { ...gone }));
  });
}

/** The child goes, with all that speaks of it; the trail tells that it went. */
export async function removeWholly(
  work: Work,
  context: Context,
  childId: number,
  told: (gone: DeletedCounts) => AuditEntry,
): Promise<DeletedCounts> {
  const now = context.now();
  // Reports that the audit log lacks are added to it before they are deleted.
  const untold = await claimUnannouncedReportsOf(work, childId);
  const clips = await clipsOfChild(work, childId);
  await removeWithFiles(
    work,
    context,
    clips.map(({ id }) => id),
  );
  const gone = await removeChild(work, childId);
  await addJobs(work, [forgetPhoneJob(addressOf(childId), now)]);
  await recordChanges(work, now, [...untold.map(takenEntry), told(gone)]);
  return gone;
}
