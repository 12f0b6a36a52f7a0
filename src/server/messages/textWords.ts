import { createTranslator } from 'use-intl/core';
import en from '../../../messages/en.json';
import es from '../../../messages/es.json';

const WORDS = { en, es } as const;
export type Language = keyof typeof WORDS;
export const LANGUAGES = Object.keys(WORDS) as Language[];

/** The language to write in: the wished one where the product speaks it, else English. */
export function languageOf(wished: string | null | undefined): Language {
  return LANGUAGES.find((language) => language === wished) ?? 'en';
}

/** The words of a text message. Nothing about the child is in them; `{link}` stays until the message is handed over. */
export function textWords(language: string, kind: 'program' | 'newStep'): string {
  const locale = languageOf(language);
  const t = createTranslator({ locale, messages: WORDS[locale], namespace: 'texts' });
  return t(kind, { link: '{link}' });
}
