/**
 * The languages that a family's pages and texts speak. A further one is its name here and its files in messages/family and
 * messages/texts: nothing else spells a language out. English is the one that every text has.
 */
export const LANGUAGES = ['en', 'es', 'ar', 'fr', 'pt'] as const;
export type Language = (typeof LANGUAGES)[number];

/** Those that the stock library is written in, and the bench's own words. A task may be said in any of the others, too. */
export const TASK_LANGUAGES = ['en', 'es'] as const satisfies readonly Language[];

export const BASE_LANGUAGE = 'en' satisfies Language;

/** The wished language where the product speaks it, else English. @example languageOf('xx') // 'en' */
export function languageOf(requested: string | null | undefined): Language {
  return LANGUAGES.find((language) => language === requested) ?? BASE_LANGUAGE;
}
