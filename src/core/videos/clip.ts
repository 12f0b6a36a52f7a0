import { z } from 'zod';
import { captionSchema } from './captions';
import { CLIP_LIMITS, KEPT_DAYS } from './limits';
import { FILMED_HANDS } from './mirror';

/** Whether somebody can be recognised: `nobody` where hands and table alone are seen and no name is heard; else `agreed`, with who agreed to what. */
export const CONSENTS = ['nobody', 'agreed'] as const;

export const captionsSchema = z.array(captionSchema).max(CLIP_LIMITS.mostCaptions);

/** Facts that a therapist enters about a video that is shown to families. */
export const clipFactsSchema = z
  .strictObject({
    hand: z.enum(FILMED_HANDS),
    /** Nothing in it comes out wrong where it is turned over. */
    mayMirror: z.boolean(),
    consent: z.enum(CONSENTS),
    consentWords: z.string().trim().max(200),
    keptDays: z.union(KEPT_DAYS.map((days) => z.literal(days))),
    captions: captionsSchema,
    /** Start of the part of the file that is shown, in seconds; the end below is null for the end of the file. */
    fromSeconds: z.number().min(0),
    toSeconds: z.number().positive().nullable(),
    isMuted: z.boolean(),
  })
  .refine(({ consent, consentWords }) => consent === 'nobody' || consentWords !== '', { path: ['consentWords'], message: 'consentNeeded' });
export type ClipFacts = z.infer<typeof clipFactsSchema>;

/** A clip as it is shown: with captions, or the same as still pictures. */
export const CLIP_KINDS = ['clip', 'pictures'] as const;
export type ClipKind = (typeof CLIP_KINDS)[number];

/**
 * Files of a video. `original`: as it came, without what a camera wrote beside the picture; `small`: a compressed copy for a slow
 * line; `poster`: its first picture; `still1` and so on: pictures of it, or the pictures that were sent.
 */
export const CLIP_PARTS = ['original', 'small', 'poster', 'still1', 'still2', 'still3', 'still4', 'still5', 'still6'] as const;
export type ClipPart = (typeof CLIP_PARTS)[number];

/** State of the compressed copy; `without` where the server has no tool to make one, `failed` where it could not. */
export const CLIP_FORMS = ['waiting', 'made', 'without', 'failed'] as const;
export type ClipForm = (typeof CLIP_FORMS)[number];

export interface ClipFile {
  readonly part: ClipPart;
  readonly bytes: number;
  readonly type: string;
  /** The moment of the clip that a still shows; null for all else. */
  readonly atSeconds: number | null;
}

/** Returns the file of a video that a family loads: the compressed copy, where there is one. */
export function clipFileOf<File extends ClipFile>(files: readonly File[]): File | null {
  return files.find(({ part }) => part === 'small') ?? files.find(({ part }) => part === 'original') ?? null;
}

export function stillsOf<File extends ClipFile>(files: readonly File[]): File[] {
  return files.filter(({ part }) => part.startsWith('still')).sort((one, other) => one.part.localeCompare(other.part));
}
