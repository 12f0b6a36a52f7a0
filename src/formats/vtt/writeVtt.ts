import type { Caption } from '@/core/videos';
import { say, type Language } from '@/core/text';

/**
 * Captions as WebVTT (W3C, the text tracks of HTML), in a language, English where one is not translated: each till the next, the last to
 * the end. A line break or an arrow in the words ends no cue.
 */
export function writeVtt(captions: readonly Caption[], seconds: number, language: Language): string {
  const cues = captions.map(({ atSeconds, text }, index) => {
    const until = captions[index + 1]?.atSeconds ?? seconds;
    return `${timeOf(atSeconds)} --> ${timeOf(until)}\n${safe(say(text, language))}\n`;
  });
  return ['WEBVTT\n', ...cues].join('\n');
}

function safe(words: string): string {
  return words.replace(/\s+/g, ' ').trim().replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

/** @example timeOf(61.5) // '00:01:01.500' */
function timeOf(seconds: number): string {
  return new Date(Math.round(seconds * 1000)).toISOString().slice(11, 23);
}
