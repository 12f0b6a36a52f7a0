import { plain } from './plain';

/** English names as the Unicode CLDR has them, and other names that lists often use. */
function names(): ReadonlyMap<string, string> {
  const english = new Intl.DisplayNames(['en'], { type: 'language', fallback: 'none' });
  const letters = [...'abcdefghijklmnopqrstuvwxyz'];
  const codes = letters.flatMap((first) => letters.map((second) => first + second));
  return new Map([
    ...codes.flatMap((code) => {
      const name = english.of(code);
      return name === undefined ? [] : [[plain(name), code] as const];
    }),
    ['espanol', 'es'],
    ['tagalog', 'tl'],
    ['mandarin', 'zh'],
    ['cantonese', 'zh'],
    ['creole', 'ht'],
  ]);
}
let known: ReadonlyMap<string, string> | undefined;

/**
 * The two-letter code (ISO 639-1) of a language that a person wrote by its English name or its code; null where it is neither.
 * @example languageCode('Haitian Creole') // 'ht'
 */
export function languageCode(text: string): string | null {
  const said = plain(text.trim());
  known ??= names();
  return known.get(said) ?? (/^[a-z]{2}$/.test(said) ? said : null);
}
