import { z } from 'zod';
import { MILLISECONDS_PER_DAY, addDays, calendarDayInZone, instant } from '@/core/calendar';
import { childById, clipByKey, inTransaction, openStops, sentBackSince, versionHolding, workplaceOf } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { familyOf } from '../reports/familyLink';
import { keepClip, readFiles } from './takeClip';

const optionsSchema = z.object({
  versionTaskId: z.coerce.number().int().positive(),
  step: z.coerce.number().int().min(1).max(12),
  idempotencyKey: z.uuid(),
  agreed: z.literal('yes', { message: 'consentUnread' }),
  saidBy: z.string().trim().max(40).catch(''),
});

/** A family shows one good one, or two: more in a day is a slip, or somebody else. */
const MOST_A_DAY = 6;
/** Attempts a day, accepted or refused: each costs a reader some seconds at the worst. Counted by the process alone. */
const MOST_TRIES = 20;

/**
 * Takes in what a family filmed, where its therapist asked for it and everybody in it agreed. It is no report: nothing of it is counted.
 * @throws AppError linkUnknown, linkRevoked, linkExpired, notFound where nobody asked or the task is closed, tooManyReports, invalid
 */
export async function sendBack(context: Context, token: string, raw: unknown, file: Uint8Array): Promise<void> {
  const { versionTaskId, step, idempotencyKey, saidBy } = parseInput(optionsSchema, raw);
  const now = context.now();
  const { actor, taskId, expiresOn, isKnown } = await inTransaction(context.db, async (work) => {
    const { actor } = await familyOf(work, token, now);
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    const today = calendarDayInZone(now, child.timeZone);
    const task = (await versionHolding(work, child.id, today))?.tasks.find((each) => each.versionTaskId === versionTaskId);
    if (!task?.choices.asksBack) throw new AppError('notFound');
    if ((await openStops(work, [child.id])).some((stop) => stop.taskId === task.taskId)) throw new AppError('notFound');
    if (!context.clipTries.mayTry(String(actor.linkId), now, MOST_TRIES)) throw new AppError('tooManyReports');
    if ((await sentBackSince(work, child.id, instant(now - MILLISECONDS_PER_DAY))) >= MOST_A_DAY) throw new AppError('tooManyReports');
    const { clipDays } = await workplaceOf(work);
    const isKnown = (await clipByKey(work, idempotencyKey)) !== null;
    return { actor, taskId: task.taskId, expiresOn: addDays(today, clipDays), isKnown };
  });
  if (isKnown) return;
  const read = await readFiles(context, [file], { fromSeconds: 0, toSeconds: null, isMuted: false });
  await keepClip(context, actor, {
    ...read,
    origin: 'sentBack',
    childId: actor.childId,
    taskId,
    step,
    madeBy: null,
    linkId: actor.linkId,
    saidBy,
    madeAt: now,
    expiresOn,
    hand: 'both',
    mayMirror: false,
    consent: 'agreed',
    consentWords: '',
    captions: [],
    idempotencyKey,
  });
}
