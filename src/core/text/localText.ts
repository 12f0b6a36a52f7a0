import { z } from 'zod';
import { BASE_LANGUAGE, LANGUAGES, type Language } from './languages';

type OtherLanguage = Exclude<Language, typeof BASE_LANGUAGE>;

/** The same words in several languages. English is always there; another one that is missing is a state, not a fault. */
export type LocalText = { en: string } & { [Other in OtherLanguage]?: string | undefined };

const MOST_LETTERS = 600;
const OTHERS = LANGUAGES.filter((language): language is OtherLanguage => language !== BASE_LANGUAGE);

/** The schema of a text; `least` is 0 where words may still be empty, as on the bench. */
export function localTextSchemaOf(least: 0 | 1) {
  const words = z.string().min(least).max(MOST_LETTERS);
  const others = Object.fromEntries(OTHERS.map((language) => [language, words.optional()]));
  return z.strictObject({ en: words, ...(others as Record<OtherLanguage, z.ZodOptional<z.ZodString>>) });
}

/** The words in a language, in English where they are not translated. @example say({ en: 'lid' }, 'es') // 'lid' */
export function say(text: LocalText, language: Language): string {
  return text[language] || text.en;
}

/** False where `say` falls back on English. */
export function isTranslated(text: LocalText, language: Language): boolean {
  return Boolean(text[language]);
}

/** The same change of words in each language that a text has. */
export function mapText(text: LocalText, change: (words: string, language: Language) => string): LocalText {
  const changed = LANGUAGES.flatMap((language) => {
    const words = text[language];
    return words === undefined ? [] : [[language, change(words, language)] as const];
  });
  return { en: '', ...Object.fromEntries(changed) };
}

/** The text of something that is more than a text. @example textOf({ en: 'lid', es: 'tapa', id: 'lid' }) // { en: 'lid', es: 'tapa' } */
export function textOf(source: LocalText): LocalText {
  return mapText(source, (words) => words);
}
