import { z } from 'zod';
import { localTextSchemaOf, LANGUAGES, type Language, type LocalText } from '../text';
import { CLIP_LIMITS } from './limits';

/** A caption: the words beside the picture from a moment on, until the next one. */
export const captionSchema = z.strictObject({
  /** Seconds from where the clip begins, 0 included. */
  atSeconds: z.number().min(0).max(CLIP_LIMITS.mostSeconds),
  text: localTextSchemaOf(1),
});
export type Caption = z.infer<typeof captionSchema>;

export type CaptionIssue =
  | { readonly code: 'captionsOutOfOrder'; readonly index: number }
  | { readonly code: 'captionAfterTheEnd'; readonly index: number; readonly seconds: number }
  | { readonly code: 'captionTooLong'; readonly index: number; readonly letters: number }
  | { readonly code: 'captionTooFast'; readonly index: number; readonly lettersASecond: number; readonly language: Language };

/**
 * Reading speed in letters a second without hurry. Guides for subtitles name 15 to 17 for adults (from memory, no edition at hand):
 * we take the lower.
 */
const LETTERS_A_SECOND = 15;

/**
 * Lists the faults of captions, by their place: each in turn, within the video, short enough, and long enough on the screen to be
 * read in every language that it has.
 * @param seconds how long the clip is
 * @example captionIssues([{ atSeconds: 9, text: { en: 'Pinch.' } }], 8) // [{ code: 'captionAfterTheEnd', index: 0, seconds: 8 }]
 */
export function captionIssues(captions: readonly Caption[], seconds: number): CaptionIssue[] {
  return captions.flatMap((caption, index): CaptionIssue[] => {
    const before = captions[index - 1];
    if (before && caption.atSeconds <= before.atSeconds) return [{ code: 'captionsOutOfOrder', index }];
    if (caption.atSeconds >= seconds) return [{ code: 'captionAfterTheEnd', index, seconds }];
    const shownFor = (captions[index + 1]?.atSeconds ?? seconds) - caption.atSeconds;
    return LANGUAGES.flatMap((language): CaptionIssue[] => {
      const words = caption.text[language];
      if (!words) return [];
      if (words.length > CLIP_LIMITS.mostCaptionLetters) return [{ code: 'captionTooLong', index, letters: words.length }];
      // The next one in the wrong order is told at its own place.
      const lettersASecond = words.length / shownFor;
      return shownFor > 0 && lettersASecond > LETTERS_A_SECOND
        ? [{ code: 'captionTooFast', index, lettersASecond: Math.round(lettersASecond), language }]
        : [];
    });
  });
}

/**
 * The lines of a step as captions, each for as long as it takes to read in proportion to the longest of its languages. Lines that are too
 * long to stand under a picture are left out.
 * @param seconds how long the clip is, above 0
 * @example captionsFrom([{ en: 'Pinch.' }, { en: 'Let go' }], 10) // at 0 and at 5 seconds
 */
export function captionsFrom(lines: readonly LocalText[], seconds: number): Caption[] {
  const lettersOf = (line: LocalText) => Math.max(...LANGUAGES.map((language) => line[language]?.length ?? 0));
  const fitting = lines
    .filter((line) => line.en !== '' && lettersOf(line) <= CLIP_LIMITS.mostCaptionLetters)
    .slice(0, CLIP_LIMITS.mostCaptions);
  const all = fitting.reduce((sum, line) => sum + lettersOf(line), 0);
  let [read, last] = [0, -TENTH];
  return fitting.map((text) => {
    // Never two at one moment, however short a line is.
    last = Math.round(Math.max((seconds * read) / all, last + TENTH) * 10) / 10;
    read += lettersOf(text);
    return { atSeconds: last, text };
  });
}

const TENTH = 0.1;

/** The caption that stands at a moment; null before the first. */
export function captionAt(captions: readonly Caption[], atSeconds: number): Caption | null {
  return captions.filter((caption) => caption.atSeconds <= atSeconds).at(-1) ?? null;
}
