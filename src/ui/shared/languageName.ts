const NAMES = new Intl.DisplayNames('en', { type: 'language' });

/** What the desk calls a language. @example languageName('es') // 'Spanish' */
export function languageName(code: string): string {
  return NAMES.of(code) ?? code;
}
