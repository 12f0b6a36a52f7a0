/**
 * The languages that words come in. A further one is its name here and its files in messages/family and messages/texts:
 * nothing else spells a language out. English is the one that every text has.
 */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

export const BASE_LANGUAGE = 'en' satisfies Language;

/** The wished language where the product speaks it, else English. @example languageOf('xx') // 'en' */
export function languageOf(wished: string | null | undefined): Language {
  return LANGUAGES.find((language) => language === wished) ?? BASE_LANGUAGE;
}
