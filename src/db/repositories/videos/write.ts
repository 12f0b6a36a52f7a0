import type { CalendarDay, Instant } from '@/core/calendar';
import type { Caption, ClipForm } from '@/core/videos';
import { momentText, tablesOf, type Work } from '../../work';
import type { KeptClip, KeptFile } from './read';

/** Says that a file is about to come, or is used once more: nobody takes it away meanwhile. */
export async function touchMedia(work: Work, hash: string, bytes: number, at: Instant): Promise<void> {
  await tablesOf(work).select(
    'INSERT INTO media (hash, bytes, touched_at) VALUES (:hash, :bytes, :at) ON DUPLICATE KEY UPDATE touched_at = :at RETURNING hash',
    { hash, bytes, at: momentText(at) },
  );
}

/**
 * Lets go of a file that no clip has, and that nobody touched since a moment; its row stays locked till the transaction ends, so that the
 * file itself can be taken away without anybody putting it there meanwhile.
 * @returns `free` where it was let go, `used` where a clip has it, `fresh` where somebody may be writing it
 */
export async function letGoOfMedia(work: Work, hash: string, untouchedSince: Instant): Promise<'free' | 'used' | 'fresh'> {
  const { select, remove } = tablesOf(work);
  const [row] = await select<{ isUsed: number; isFresh: number }>(
    `SELECT EXISTS (SELECT 1 FROM clip_files f WHERE f.hash = m.hash) AS isUsed, m.touched_at > :since AS isFresh
     FROM media m WHERE m.hash = :hash FOR UPDATE`,
    { hash, since: momentText(untouchedSince) },
  );
  if (!row) return 'free';
  if (row.isFresh) return 'fresh';
  if (row.isUsed) return 'used';
  await remove('media', { hash });
  return 'free';
}

export type NewClip = Omit<KeptClip, 'id' | 'madeByName' | 'seenAt'> & { readonly idempotencyKey: string };

/** @throws where one was taken in under this key (see `isDuplicate`) */
export async function addClip(work: Work, clip: NewClip): Promise<number> {
  const tables = tablesOf(work);
  const clipId = await tables.insert('clips', {
    origin: clip.origin,
    kind: clip.kind,
    child_id: clip.childId,
    task_id: clip.taskId,
    step: clip.step,
    made_by: clip.madeBy,
    link_id: clip.linkId,
    said_by: clip.saidBy,
    made_at: clip.madeAt,
    expires_on: clip.expiresOn,
    hand: clip.hand,
    may_mirror: clip.mayMirror,
    consent: clip.consent,
    consent_words: clip.consentWords,
    captions: clip.captions,
    from_seconds: clip.fromSeconds,
    seconds: clip.seconds,
    has_sound: clip.hasSound,
    form: clip.form,
    idempotency_key: clip.idempotencyKey,
  });
  await addClipFiles(work, clipId, clip.files);
  return clipId;
}

export async function addClipFiles(work: Work, clipId: number, files: readonly KeptFile[]): Promise<void> {
  await tablesOf(work).insertAll(
    'clip_files',
    files.map(({ part, hash, bytes, type, atSeconds }) => ({ clip_id: clipId, part, hash, bytes, type, at_seconds: atSeconds })),
  );
}

/** Sets the state of the compressed copy; false where it was the same already, or the video is gone. */
export async function setClipForm(work: Work, clipId: number, form: ClipForm): Promise<boolean> {
  // The small form begins where the wished span begins.
  const begins = form === 'made' ? { from_seconds: 0 } : {};
  return (await tablesOf(work).update('clips', { form, ...begins }, { id: clipId, form: 'waiting' })) > 0;
}

/** The original is no longer needed: what was cut away of it goes with it. Gives back its name; null where it had none. */
export async function deleteOriginal(work: Work, clipId: number): Promise<string | null> {
  const { select, remove } = tablesOf(work);
  const [row] = await select<{ hash: string }>("SELECT hash FROM clip_files WHERE clip_id = :clipId AND part = 'original'", { clipId });
  if (row) await remove('clip_files', { clip_id: clipId, part: 'original' });
  return row?.hash ?? null;
}

export async function setClipWords(work: Work, clipId: number, captions: readonly Caption[], expiresOn: CalendarDay): Promise<void> {
  await tablesOf(work).update('clips', { captions: captions as Caption[], expires_on: expiresOn }, { id: clipId });
}

/** Takes a clip away; gives back the names of its files. */
export async function removeClips(work: Work, ids: readonly number[]): Promise<string[]> {
  if (ids.length === 0) return [];
  const { select, remove } = tablesOf(work);
  const rows = await select<{ hash: string }>('SELECT DISTINCT hash FROM clip_files WHERE clip_id IN (:ids)', { ids: [...ids] });
  for (const id of ids) await remove('clips', { id });
  return rows.map(({ hash }) => hash);
}

/** Somebody has looked at what the family sent back, up to this one. */
export async function markClipsSeen(work: Work, childId: number, upTo: number, personId: number, at: Instant): Promise<void> {
  const { select, update } = tablesOf(work);
  const rows = await select<{ id: number }>(
    "SELECT id FROM clips WHERE origin = 'sentBack' AND child_id = :childId AND id <= :upTo AND seen_at IS NULL",
    { childId, upTo },
  );
  for (const { id } of rows) await update('clips', { seen_by: personId, seen_at: at }, { id });
}

/** Marks the videos that this person looked at at that moment as not looked at. */
export async function unseeClips(work: Work, childId: number, personId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('clips', { seen_by: null, seen_at: null }, { child_id: childId, seen_by: personId, seen_at: at });
}
