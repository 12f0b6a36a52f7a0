import sharp from 'sharp';
import { CLIP_LIMITS } from '@/core/videos';
import { bad, good, type Result } from '@/core/result';

export type PictureIssue =
  { readonly code: 'notAPicture' } | { readonly code: 'clipTooLarge'; readonly bytes: number } | { readonly code: 'clipHasTooManyPixels' };

export interface PictureOptions {
  /** The longer side is made no longer than this. */
  readonly longestPixels: number;
  /** 1 to 100. */
  readonly quality: number;
}

const FORMATS = ['jpeg', 'png', 'webp', 'avif', 'heif', 'gif'];

/**
 * Reads a picture by its content, turns it the way its camera says, and writes it anew as a JPEG without anything that stood beside the
 * picture. Of one that moves, the first picture.
 */
export async function readPicture(file: Uint8Array, { longestPixels, quality }: PictureOptions): Promise<Result<Uint8Array, PictureIssue>> {
  if (file.length > CLIP_LIMITS.mostBytes) return bad({ code: 'clipTooLarge', bytes: file.length });
  try {
    const picture = sharp(file, { limitInputPixels: CLIP_LIMITS.mostPixels, failOn: 'error' });
    const { format, width = 0, height = 0 } = await picture.metadata();
    if (!format || !FORMATS.includes(format)) return bad({ code: 'notAPicture' });
    if (width * height > CLIP_LIMITS.mostPixels) return bad({ code: 'clipHasTooManyPixels' });
    const bytes = await picture
      .rotate()
      .resize({ width: longestPixels, height: longestPixels, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality, mozjpeg: true })
      .toBuffer();
    return good(bytes);
  } catch {
    return bad({ code: 'notAPicture' });
  }
}
