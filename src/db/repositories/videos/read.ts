import { calendarDay, type CalendarDay, type Instant } from '@/core/calendar';
import { captionsSchema, CLIP_FORMS, CLIP_KINDS, CLIP_PARTS, CONSENTS, FILMED_HANDS, type Caption, type ClipFile } from '@/core/videos';
import { groupBy } from '@/core/groupBy';
import { oneOf, reading } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

/** Shown to families by a therapist, or sent back by a family. */
export const CLIP_ORIGINS = ['shown', 'sentBack'] as const;

export interface KeptFile extends ClipFile {
  /** Name of the file in the store. */
  readonly hash: string;
}

/** A video with its files. */
export type KeptClip = Awaited<ReturnType<typeof clipsWhere>>[number];

type Row = Readonly<Record<'origin' | 'kind' | 'hand' | 'consent' | 'form' | 'expiresOn', string>> & {
  readonly id: number;
  readonly childId: number | null;
  readonly taskId: number;
  readonly step: number;
  readonly madeBy: number | null;
  readonly madeByName: string | null;
  readonly linkId: number | null;
  readonly saidBy: string;
  readonly madeAt: Instant;
  readonly mayMirror: number;
  readonly consentWords: string;
  readonly captions: unknown;
  readonly fromSeconds: number;
  readonly seconds: number | null;
  readonly hasSound: number;
  readonly seenAt: Instant | null;
};

const readCaptions = reading<Caption[]>('captions', captionsSchema);

async function clipsWhere(work: Work, condition: string, values: Readonly<Record<string, unknown>>) {
  const { select } = tablesOf(work);
  const rows = await select<Row>(
    `SELECT c.id, c.origin, c.kind, c.child_id AS childId, c.task_id AS taskId, c.step, c.made_by AS madeBy, p.name AS madeByName, c.link_id AS linkId,
       c.said_by AS saidBy, c.made_at AS madeAt, c.expires_on AS expiresOn, c.hand, c.may_mirror AS mayMirror, c.consent,
       c.consent_words AS consentWords, c.captions, c.from_seconds AS fromSeconds, c.seconds, c.has_sound AS hasSound, c.form, c.seen_at AS seenAt
     FROM clips c LEFT JOIN people p ON p.id = c.made_by WHERE ${condition} ORDER BY c.id`,
    values,
  );
  const files = rows.length
    ? await select<KeptFile & { readonly clipId: number }>(
        'SELECT clip_id AS clipId, part, hash, bytes, type, at_seconds AS atSeconds FROM clip_files WHERE clip_id IN (:ids) ORDER BY part',
        { ids: rows.map(({ id }) => id) },
      )
    : [];
  const byClip = groupBy(files, ({ clipId }) => clipId);
  return rows.map((row) => ({
    ...row,
    origin: oneOf('origin', CLIP_ORIGINS, row.origin),
    kind: oneOf('kind', CLIP_KINDS, row.kind),
    hand: oneOf('hand', FILMED_HANDS, row.hand),
    consent: oneOf('consent', CONSENTS, row.consent),
    form: oneOf('form', CLIP_FORMS, row.form),
    expiresOn: calendarDay(row.expiresOn),
    mayMirror: Boolean(row.mayMirror),
    hasSound: Boolean(row.hasSound),
    captions: readCaptions(typeof row.captions === 'string' ? JSON.parse(row.captions) : row.captions),
    files: (byClip.get(row.id) ?? []).map(({ clipId: _clip, ...file }): KeptFile => ({
      ...file,
      part: oneOf('part', CLIP_PARTS, file.part),
    })),
  }));
}

/** This one, whatever its day; null where there is none. */
export async function clipAtAll(work: Work, clipId: number): Promise<KeptClip | null> {
  return (await clipsWhere(work, 'c.id = :clipId', { clipId }))[0] ?? null;
}

/** This one, where its small form is still to be made. */
export async function clipForJob(work: Work, clipId: number): Promise<KeptClip | null> {
  return (await clipsWhere(work, "c.id = :clipId AND c.form = 'waiting'", { clipId }))[0] ?? null;
}

/** These, as far as there are any still on that day. */
export async function clipsById(work: Work, ids: readonly number[], today: CalendarDay): Promise<KeptClip[]> {
  return ids.length ? clipsWhere(work, 'c.id IN (:ids) AND c.expires_on >= :today', { ids: [...ids], today }) : [];
}

/** Lists the therapists' videos for everyone, and those of one of these students; the oldest first. */
export async function shownClips(work: Work, childIds: readonly number[], today: CalendarDay): Promise<KeptClip[]> {
  return clipsWhere(work, "c.origin = 'shown' AND (c.child_id IS NULL OR c.child_id IN (:childIds)) AND c.expires_on >= :today", {
    childIds: childIds.length ? [...childIds] : [0],
    today,
  });
}

/** Lists the videos that families of these students sent, the oldest first. */
export async function sentBackClips(work: Work, childIds: readonly number[], today: CalendarDay): Promise<KeptClip[]> {
  return childIds.length
    ? clipsWhere(work, "c.origin = 'sentBack' AND c.child_id IN (:childIds) AND c.expires_on >= :today", { childIds: [...childIds], today })
    : [];
}

/** All that is kept of a child: shown to it alone, and sent back by its family. */
export async function clipsOfChild(work: Work, childId: number): Promise<KeptClip[]> {
  return clipsWhere(work, 'c.child_id = :childId', { childId });
}

/** Returns the families' videos that no one has looked at yet: the latest and their number, by student. */
export async function unseenClips(
  work: Work,
  childIds: readonly number[],
  today: CalendarDay,
): Promise<{ readonly childId: number; readonly clipId: number; readonly taskId: number }[]> {
  if (childIds.length === 0) return [];
  return tablesOf(work).select(
    `SELECT child_id AS childId, id AS clipId, task_id AS taskId FROM clips
     WHERE origin = 'sentBack' AND seen_at IS NULL AND expires_on >= :today AND child_id IN (:childIds) ORDER BY id`,
    { childIds: [...childIds], today },
  );
}

/** Counts a family's videos since a moment. */
export async function sentBackSince(work: Work, childId: number, since: Instant): Promise<number> {
  const [row] = await tablesOf(work).select<{ many: number }>(
    "SELECT COUNT(*) AS many FROM clips WHERE origin = 'sentBack' AND child_id = :childId AND made_at >= :since",
    { childId, since: new Date(since) },
  );
  return Number(row!.many);
}

/** The clip that was taken in under this key; null where none was. */
export async function clipByKey(work: Work, key: string): Promise<number | null> {
  const [row] = await tablesOf(work).select<{ id: number }>('SELECT id FROM clips WHERE idempotency_key = :key', { key });
  return row?.id ?? null;
}

/** Clips whose day is over. */
export async function expiredClips(work: Work, today: CalendarDay, most: number): Promise<number[]> {
  const rows = await tablesOf(work).select<{ id: number }>('SELECT id FROM clips WHERE expires_on < :today ORDER BY id LIMIT :most', {
    today,
    most,
  });
  return rows.map(({ id }) => id);
}
