import { calendarDayInZone } from '@/core/calendar';
import { CLIP_PARTS } from '@/core/videos';
import { writeVtt } from '@/formats';
import { languageOf } from '@/core/text';
import { childById, clipAtAll, clipsById, inTransaction, versionHolding, workplaceOf, type KeptClip, type KeptFile } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { familyOf } from '../reports/familyLink';

/** A file of a clip, on its way out: its bytes are read from the store as they are asked for. */
export interface ClipFileOut {
  readonly type: string;
  readonly bytes: number;
  readonly open: (span?: { readonly start: number; readonly end: number }) => Promise<ReadableStream<Uint8Array> | null>;
}

/** A file of a clip for who works here: of one that is a child's, for who has a part in the child. @throws AppError notFound, notAllowed */
export async function clipFileForDesk(context: Context, actor: PersonActor, clipId: number, part: string): Promise<ClipFileOut> {
  const clip = await inTransaction(context.db, async (work) => {
    const found = Number.isSafeInteger(clipId) ? await clipAtAll(work, clipId) : null;
    if (!found) throw new AppError('notFound');
    if (found.childId !== null) await requireChild(work, actor, found.childId, 'readChild');
    const { timeZone } = await workplaceOf(work);
    if (found.expiresOn < calendarDayInZone(context.now(), timeZone)) throw new AppError('notFound');
    return found;
  });
  if (clip.childId !== null)
    await context.looks.noteSometimes(
      `clip ${actor.personId} ${clipId}`,
      entryOf(actor, context.now(), [clip.childId], 'clip.viewed', { clip: clipId }),
    );
  return fileOut(context, clip, part);
}

/**
 * A file of a clip for a family: of one that hangs on a task of the version that holds today, or that it sent itself.
 * @param part one of a clip's, or `captions`
 * @throws AppError notFound, linkUnknown, linkRevoked, linkExpired
 */
export async function clipFileForFamily(
  context: Context,
  token: string,
  { clipId, part, language }: { readonly clipId: number; readonly part: string; readonly language: string },
): Promise<ClipFileOut> {
  const now = context.now();
  const clip = await inTransaction(context.db, async (work) => {
    const { actor } = await familyOf(work, token, now);
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    const today = calendarDayInZone(now, child.timeZone);
    const [found] = Number.isSafeInteger(clipId) ? await clipsById(work, [clipId], today) : [];
    if (!found || (found.childId !== null && found.childId !== child.id)) throw new AppError('notFound');
    if (found.origin === 'sentBack') return found;
    const version = await versionHolding(work, child.id, today);
    if (!version?.tasks.some(({ choices }) => choices.clips?.includes(clipId))) throw new AppError('notFound');
    return found;
  });
  if (part !== 'captions') return fileOut(context, clip, part);
  const words = new TextEncoder().encode(writeVtt(clip.captions, clip.seconds ?? 0, languageOf(language)));
  return { type: 'text/vtt; charset=utf-8', bytes: words.length, open: async () => new Blob([words]).stream() };
}

function fileOut({ media }: Context, { files }: KeptClip, part: string): ClipFileOut {
  const file = CLIP_PARTS.some((known) => known === part) ? files.find((each): each is KeptFile => each.part === part) : undefined;
  if (!file) throw new AppError('notFound');
  return { type: file.type, bytes: file.bytes, open: (span) => media.read(file.hash, span) };
}
