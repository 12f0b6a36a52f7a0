import { createTranslator } from 'use-intl/core';
import en from '../../../messages/en.json';
import es from '../../../messages/es.json';

const FAMILY_WORDS = { en, es } as const;
export type Language = keyof typeof FAMILY_WORDS;

/** The therapist's face speaks English in this version. */
export const words = createTranslator({ locale: 'en', messages: en });
export type Words = typeof words;

export function familyWords(language: Language) {
  // Both files hold the same keys for families; a unit test keeps them so.
  return createTranslator({ locale: language, messages: FAMILY_WORDS[language] as typeof en });
}

export function languageFor(wished: string | null | undefined): Language {
  return wished === 'es' ? 'es' : 'en';
}
