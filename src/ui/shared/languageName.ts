const NAMES = new Intl.DisplayNames('en', { type: 'language' });

/** Returns the English name of a language. @example languageName('es') // 'Spanish' */
export function languageName(code: string): string {
  return NAMES.of(code) ?? code;
}
