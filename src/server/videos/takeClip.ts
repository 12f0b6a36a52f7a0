import { z } from 'zod';
import { addDays, calendarDayInZone } from '@/core/calendar';
import { captionIssues, CLIP_LIMITS, clipFactsSchema, type ClipKind } from '@/core/videos';
import { addClip, addJobs, clipByKey, inTransaction, isDuplicate, latestTasks, workplaceOf, type KeptFile, type NewClip } from '@/db';
import { requireChild, requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { clipFormsJob } from '../jobs/jobs';
import { invalid, parseInput } from '../parseInput';
import { storeFile } from './storeFile';

const optionsSchema = z.object({
  /** For this child alone; null for any. */
  childId: z.number().int().positive().nullable(),
  slug: z.string().max(80),
  step: z.number().int().min(1).max(12),
  idempotencyKey: z.uuid(),
  facts: clipFactsSchema,
});

/** A still or a picture that a family looks at: sharp enough for a hand, light enough for a slow line. */
const PICTURE = { longestPixels: 900, quality: 60 } as const;

/**
 * Takes in what a therapist filmed, or pictures of each stage. Twice under one key is once.
 * @param files one clip, or up to six pictures, by their content
 * @returns the clip's id
 * @throws AppError notFound, notAllowed, invalid with what is wrong with which file
 */
export async function takeClip(context: Context, actor: PersonActor, raw: unknown, files: readonly Uint8Array[]): Promise<number> {
  const { childId, slug, step, idempotencyKey, facts } = parseInput(optionsSchema, raw);
  const { taskId, today, known } = await inTransaction(context.db, async (work) => {
    if (childId === null) requireMay(actor, 'makeTasks');
    else await requireChild(work, actor, childId, 'changeProgram');
    const task = (await latestTasks(work, actor.personId)).find(({ content }) => content.slug === slug);
    if (!task || step > task.content.ladder.steps.length) throw new AppError('notFound');
    const today = calendarDayInZone(context.now(), (await workplaceOf(work)).timeZone);
    return { taskId: task.taskId, today, known: await clipByKey(work, idempotencyKey) };
  });
  if (known !== null) return known;
  const read = await readFiles(context, files, facts);
  const wrong = captionIssues(facts.captions, read.seconds ?? CLIP_LIMITS.mostSeconds).filter(({ code }) => code !== 'captionTooFast');
  if (wrong.length) throw invalid(...wrong.map(({ code, index }) => ({ path: `facts.captions.${index}`, code })));
  const { keptDays, fromSeconds: _from, toSeconds: _to, isMuted: _muted, ...said } = facts;
  return keepClip(context, actor, {
    ...said,
    ...read,
    origin: 'shown',
    childId,
    taskId,
    step,
    madeBy: actor.personId,
    linkId: null,
    saidBy: '',
    madeAt: context.now(),
    expiresOn: addDays(today, keptDays),
    idempotencyKey,
  });
}

type ReadFiles = Pick<NewClip, 'kind' | 'fromSeconds' | 'seconds' | 'hasSound' | 'form' | 'files'>;

/** Reads files by their content and puts them into the store. @throws AppError invalid with what is wrong with which file */
export async function readFiles(
  context: Context,
  files: readonly Uint8Array[],
  options: { readonly fromSeconds: number; readonly toSeconds: number | null; readonly isMuted: boolean },
): Promise<ReadFiles> {
  if (files.length === 0 || files.length > CLIP_LIMITS.mostPictures) throw invalid({ path: 'files', code: 'oneClipOrPictures' });
  const clip = files.length === 1 ? await context.workshop.readClip(files[0]!, options) : null;
  if (clip?.ok) {
    const { bytes, type, fromSeconds, seconds, hasSound } = clip.value;
    const original: KeptFile = { part: 'original', type, atSeconds: null, ...(await storeFile(context, bytes)) };
    return { kind: 'clip', fromSeconds, seconds, hasSound, form: 'waiting', files: [original] };
  }
  // A faulty video is reported as a video.
  const [fault] = clip ? clip.issues : [];
  if (fault && fault.code !== 'notAClip' && fault.code !== 'clipHasNoPicture') throw invalid({ path: 'files.0', code: fault.code });
  const pictures: Uint8Array[] = [];
  for (const [index, file] of files.entries()) {
    const picture = await context.workshop.readPicture(file, PICTURE);
    if (!picture.ok)
      throw invalid(
        ...picture.issues.map(({ code }) => ({ path: `files.${index}`, code: code === 'notAPicture' && clip ? 'notAClip' : code })),
      );
    pictures.push(picture.value);
  }
  const kept: KeptFile[] = [];
  for (const [index, content] of pictures.entries())
    kept.push({
      part: `still${index + 1}` as KeptFile['part'],
      type: 'image/jpeg',
      atSeconds: null,
      ...(await storeFile(context, content)),
    });
  return { kind: 'pictures' satisfies ClipKind, fromSeconds: 0, seconds: null, hasSound: false, form: 'made', files: kept };
}

/** Writes it down, with the job that makes its small form. */
export async function keepClip(context: Context, actor: Parameters<typeof entryOf>[0], clip: NewClip): Promise<number> {
  const now = context.now();
  const childIds = clip.childId === null ? [] : [clip.childId];
  try {
    return await inTransaction(context.db, async (work) => {
      const clipId = await addClip(work, clip);
      if (clip.form === 'waiting') await addJobs(work, [clipFormsJob(clipId, now)]);
      await recordChanges(work, now, [
        entryOf(actor, now, childIds, clip.origin === 'shown' ? 'clip.added' : 'clip.sentBack', { clip: clipId }),
      ]);
      return clipId;
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    return (await inTransaction(context.db, (work) => clipByKey(work, clip.idempotencyKey)))!;
  }
}
