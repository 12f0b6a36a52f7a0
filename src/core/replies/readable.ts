import { plain } from '../text';

/** A reply as it is read: one width of figures, small letters without accents or apostrophes, ticks as words. */
export function readable(text: string): string {
  return plain(text.normalize('NFKC'))
    .replace(/['’‘`´]/g, '')
    .replace(/[✓✔☑✅]/gu, ' done ')
    .replace(/[👍👌🙏]/gu, ' ok ')
    .replace(/\p{Extended_Pictographic}|\p{Emoji_Modifier}|\ufe0f|\u200d/gu, ' ');
}
