import { z } from 'zod';
import { addDays, calendarDayInZone } from '@/core/calendar';
import { captionIssues, captionsSchema, CLIP_LIMITS, KEPT_DAYS } from '@/core/videos';
import { clipAtAll, clipsById, inTransaction, setClipWords, workplaceOf } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { changePlanned } from '../programs/changePlanned';

const MOST_ON_A_TASK = 4;
const placeSchema = z.object({ childId: z.number().int().positive(), slug: z.string().max(80) });
const putSchema = placeSchema.extend({ clipId: z.number().int().positive(), isIn: z.boolean() });

/**
 * Hangs a clip on a task of the program that is being written for a child, or takes it off: the family has it with the next one that goes
 * out.
 * @throws AppError notFound where the program has no such task, or the clip is another child's; invalid where four hang there
 */
export async function putClip(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { clipId, isIn, ...place } = parseInput(putSchema, raw);
  await changePlanned(context, actor, place, async (choices, work) => {
    const today = calendarDayInZone(context.now(), (await workplaceOf(work)).timeZone);
    // A video that was deleted or has expired takes no place: it could not be removed.
    const standing = await clipsById(work, choices.clips ?? [], today);
    const others = standing.map(({ id }) => id).filter((id) => id !== clipId);
    if (!isIn) return { ...choices, clips: others };
    const clip = await clipAtAll(work, clipId);
    if (clip?.origin !== 'shown' || (clip.childId !== null && clip.childId !== place.childId)) throw new AppError('notFound');
    if (others.length >= MOST_ON_A_TASK) throw invalid({ path: 'clipId', code: 'tooManyClips' });
    return { ...choices, clips: [...others, clipId] };
  });
}

/** Asks the family, with the next program, to show how it goes, or asks no more. @throws AppError notFound where the program has no such task */
export async function askBack(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { asks, ...place } = parseInput(placeSchema.extend({ asks: z.boolean() }), raw);
  await changePlanned(context, actor, place, (choices) => ({ ...choices, asksBack: asks }));
}

const wordsSchema = z.object({
  clipId: z.number().int().positive(),
  captions: captionsSchema,
  /** Kept so many days from today on; null leaves its day as it is. */
  keptDays: z.union(KEPT_DAYS.map((days) => z.literal(days))).nullable(),
});

/** Writes a clip's captions anew, and how long it is kept: its pictures stay as they are. @throws AppError notFound, notAllowed, invalid */
export async function changeClip(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { clipId, captions, keptDays } = parseInput(wordsSchema, raw);
  await inTransaction(context.db, async (work) => {
    const clip = await clipAtAll(work, clipId);
    if (clip?.origin !== 'shown') throw new AppError('notFound');
    if (clip.childId !== null) await requireChild(work, actor, clip.childId, 'changeProgram');
    else if (clip.madeBy !== actor.personId) throw new AppError('notAllowed');
    const wrong = captionIssues(captions, clip.seconds ?? CLIP_LIMITS.mostSeconds).filter(({ code }) => code !== 'captionTooFast');
    if (wrong.length) throw invalid(...wrong.map(({ code, index }) => ({ path: `captions.${index}`, code })));
    const now = context.now();
    const today = calendarDayInZone(now, (await workplaceOf(work)).timeZone);
    await setClipWords(work, clipId, captions, keptDays === null ? clip.expiresOn : addDays(today, keptDays));
    await recordChanges(work, now, [entryOf(actor, now, clip.childId === null ? [] : [clip.childId], 'clip.changed', { clip: clipId })]);
  });
}
