import { plain } from '../text';
import { ARABIC } from './danger/ar';
import { ENGLISH } from './danger/en';
import { SPANISH } from './danger/es';
import { FRENCH } from './danger/fr';
import { patternsOf, type DangerPatterns } from './danger/pattern';
import { PORTUGUESE } from './danger/pt';
import { heardAs } from './danger/spelling';

const LEXICONS = [ENGLISH, SPANISH, FRENCH, PORTUGUESE, ARABIC];

/** The languages whose words of danger are known. */
/** @internal shown to the tests: none of our languages is missing. */
export const DANGER_LANGUAGES: readonly string[] = LEXICONS.map(({ language }) => language);

let made: readonly DangerPatterns[] | undefined;
const patterns = () => (made ??= LEXICONS.map(patternsOf));

const CLAUSE_ENDS = /[.,;:!?¡¿()\n\r…،؛؟]+|\s[-–—]+\s/u;

/**
 * The words of danger in what a family wrote, in whichever of the languages it wrote; empty where there is none. Case, accents, marks
 * and common misspellings make no difference. A sign of harm is a word by itself ("bleeding"), a body part with its state ("thumb is
 * puffy"), an event that meets a body part or a person ("caught her finger"), or care that was sought; denied, long past, or the
 * adult's own, it is none. It errs to caution: a word too many asks a person to look.
 * @example dangerIn('He swolowed a bead') // ['swolowed']
 */
export function dangerIn(text: string): string[] {
  return [...new Set(dangerClauses(text).flatMap(({ signs }) => signs))];
}

export interface DangerClause {
  /** The clause as it was written. */
  readonly text: string;
  /** Signs of harm, in small letters without accents. */
  readonly signs: readonly string[];
}

/** The clauses of a text that tell of harm. @example dangerClauses('crane 8, zip pinched his neck')[0].text // ' zip pinched his neck' */
export function dangerClauses(text: string): DangerClause[] {
  // Most reports say nothing in words, and many come at once.
  if (text === '') return [];
  return text.split(CLAUSE_ENDS).flatMap((clause) => {
    const letters = lettersOf(clause);
    const found = patterns().flatMap((language) =>
      letters.split(language.turns).flatMap((part) => {
        const signs = signsIn(` ${part.trim()} `, language);
        return signs.length > 0 ? [{ text: language.turns.test(letters) ? part : clause, signs }] : [];
      }),
    );
    if (found.length === 0) return [];
    // A clause that several languages find, or several of its parts, is told of once: as narrowly as one part says it all.
    const narrow = new Set(found.map((each) => each.text)).size === 1 ? found[0]!.text : clause;
    return [{ text: narrow, signs: found.flatMap(({ signs }) => signs) }];
  });
}

/** True where a text tells of tears, fear or refusal: no harm by itself, and nothing to thank for. @example isUpset('she cried') // true */
export function isUpset(text: string): boolean {
  return text.split(CLAUSE_ENDS).some((clause) => {
    const letters = ` ${lettersOf(clause)} `;
    return patterns().some(({ distress, not }) => {
      const found = distress.exec(letters);
      return found !== null && !not.test(letters.slice(0, found.index));
    });
  });
}

function signsIn(words: string, language: DangerPatterns): string[] {
  const { denied, always, not, empty, harmless } = language;
  const anyway = always.exec(words);
  if (anyway) return [anyway[0].trim()];
  const meant = words.replace(empty, (found) => found.replace(/^ [^ ]+/, ' ~')).replace(harmless, ' ~');
  if (isPastOrAdult(meant)) return [];
  for (let from = 0; from < meant.length;) {
    const found = denied.exec(meant.slice(from));
    if (!found) break;
    const at = from + found.index;
    if (!not.test(meant.slice(0, at))) return [found[0].trim()];
    // Denials are skipped; the text behind one may still report harm.
    from = at + found[0].length;
  }
  return unusual(meant, language);
}

/** Long ago, or the adult's own: in whichever language it is said, since signs of one language stand in words of another. */
function isPastOrAdult(words: string): boolean {
  return patterns().some(({ past, adult, child }) => past.test(words) || (adult.test(words) && !child.test(words)));
}

/** True where no other language knows more of the words. */
function isOf(words: string, language: DangerPatterns): boolean {
  const known = ({ calm }: DangerPatterns) =>
    words
      .trim()
      .split(' ')
      .filter((word) => calm.test(word)).length;
  const own = known(language);
  return patterns().every((other) => known(other) <= own);
}

/** A body part beside a word that no practice needs: "arm just hangs there". */
function unusual(words: string, language: DangerPatterns): string[] {
  const { part, tool, asks, calm } = language;
  if (asks.test(words)) return [];
  const found = part.exec(words);
  if (!found || tool.test(words.slice(0, found.index)) || !isOf(words, language)) return [];
  const strange = words
    .trim()
    .split(' ')
    .find((word) => !calm.test(word));
  return strange === undefined ? [] : [`${found[0].trim()} ${strange}`];
}

function lettersOf(text: string): string {
  return plain(text.replace(/œ/gi, 'oe').replace(/uñ(?=a|it)/gi, 'uny'))
    .replace(/n['’´`]t\b/g, 'nt')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .replace(/([a-z])\1{2,}/g, '$1$1')
    .trim()
    .split(' ')
    .map(heardAs)
    .join(' ');
}
