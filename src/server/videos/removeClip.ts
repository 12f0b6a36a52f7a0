import { addJobs, clipAtAll, inTransaction, removeClips, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { deleteMediaJob } from '../jobs/jobs';
import { familyOf } from '../reports/familyLink';

/** Clips go, with their files: no page has them from now on, and jobs take the files away. */
export async function removeWithFiles(work: Work, context: Context, ids: readonly number[]): Promise<void> {
  await deleteFiles(work, context, await removeClips(work, ids));
}

/** Has files taken away: now, or, where they were touched moments ago, by the job that was written with them. */
export async function deleteFiles(work: Work, context: Context, hashes: readonly string[]): Promise<void> {
  const now = context.now();
  await addJobs(
    work,
    hashes.map((hash) => deleteMediaJob(hash, now)),
  );
}

/**
 * Takes a clip away, wherever it stands: who made it, or who may change the child's program; one that is no child's also a supervisor.
 * @throws AppError notFound, notAllowed
 */
export async function removeClip(context: Context, actor: PersonActor, clipId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const clip = Number.isSafeInteger(clipId) ? await clipAtAll(work, clipId) : null;
    if (!clip) throw new AppError('notFound');
    if (clip.childId !== null) await requireChild(work, actor, clip.childId, 'changeProgram');
    else if (clip.madeBy !== actor.personId && actor.role !== 'supervisor') throw new AppError('notAllowed');
    await removeWithFiles(work, context, [clipId]);
    const now = context.now();
    await recordChanges(work, now, [entryOf(actor, now, clip.childId === null ? [] : [clip.childId], 'clip.removed', { clip: clipId })]);
  });
}

/** A family takes back what it sent. @throws AppError notFound, linkUnknown, linkRevoked, linkExpired */
export async function takeBackClip(context: Context, token: string, clipId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { actor } = await familyOf(work, token, now);
    const clip = Number.isSafeInteger(clipId) ? await clipAtAll(work, clipId) : null;
    if (clip?.origin !== 'sentBack' || clip.childId !== actor.childId) throw new AppError('notFound');
    await removeWithFiles(work, context, [clipId]);
    await recordChanges(work, now, [entryOf(actor, now, [actor.childId], 'clip.takenBack', { clip: clipId })]);
  });
}
