import type { Language } from './languages';

const RIGHT_TO_LEFT: ReadonlySet<string> = new Set(['ar', 'fa', 'he', 'ur', 'ps']);

/** Which way a language is written. */
export function directionOf(language: Language): 'ltr' | 'rtl' {
  return RIGHT_TO_LEFT.has(language) ? 'rtl' : 'ltr';
}
