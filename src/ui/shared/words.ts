import { createTranslator } from 'use-intl/core';
import en from '../../../messages/en.json';
import es from '../../../messages/es.json';

export type Language = 'en' | 'es';

/** The therapist's face speaks English in this version. */
export const words = createTranslator({ locale: 'en', messages: en });
export type Words = typeof words;

// Both files hold the same keys for families; a unit test keeps them so.
const FAMILY_WORDS = { en: words, es: createTranslator({ locale: 'es', messages: es as unknown as typeof en }) };

export function familyWords(language: Language): Words {
  return FAMILY_WORDS[language];
}

export function languageFor(wished: string | null | undefined): Language {
  return wished === 'es' ? 'es' : 'en';
}
