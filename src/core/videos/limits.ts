/**
 * Limits of a video or a picture. Our own choice: long enough for one good repetition, small enough for a phone that pays for its
 * data.
 */
export const CLIP_LIMITS = {
  leastSeconds: 0.5,
  mostSeconds: 60,
  mostBytes: 20 * 1024 * 1024,
  mostPixels: 4096 * 4096,
  mostPictures: 6,
  mostCaptions: 12,
  mostCaptionLetters: 140,
  /** A camera's clock is not a ruler: a clip that is stopped at a minute may tell a little more. */
  slackSeconds: 1,
} as const;

/** How long what was filmed may be kept, in days. */
export const KEPT_DAYS = [30, 90, 180, 365] as const;
