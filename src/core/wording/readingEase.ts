import silabea from 'silabea';
import { syllable } from 'syllable';
import type { Language } from '../text';

export type WordingLanguage = Language;

export interface TextCounts {
  readonly words: number;
  readonly sentences: number;
  readonly syllables: number;
}

/**
 * Words that the syllable counter gets wrong and that stand in many tasks, as the Carnegie Mellon Pronouncing Dictionary has them; where it has
 * none, counted by hand.
 */
const ENGLISH_BY_HAND: Readonly<Record<string, number>> = {
  doesn: 2,
  isn: 2,
  scissors: 2,
  sized: 1,
  taped: 1,
  taller: 2,
  stepOutcomes: 1,
  tongs: 1,
  towel: 2,
  being: 2,
  doing: 2,
  going: 2,
  every: 2,
  quiet: 2,
  science: 2,
  poem: 2,
  area: 3,
  areas: 3,
  cooperate: 4,
  australian: 3,
  reptilian: 3,
  create: 2,
  cheer: 1,
  crosses: 2,
  diamond: 2,
  passes: 2,
  pressed: 1,
  punches: 2,
  pushes: 2,
  reaches: 2,
  squeeze: 1,
  squeezed: 1,
  squeezes: 2,
  squeezing: 2,
  tired: 2,
  tosses: 2,
  touches: 2,
  tucked: 1,
};

/** Short forms whose stop ends no sentence; the second list may also end one, where a capital follows. */
const SHORT_FORMS =
  /(?<![\p{L}\p{N}])(?:[Ee]\.g|[Ii]\.e|Dr|Mr|Mrs|Ms|Sra?|[Pp]\. ?ej)\.|(?<![\p{L}\p{N}])(?:etc|vs|approx|aprox|min|max)\.(?=\s+[\p{Ll}\p{N}])/gu;

/**
 * The sentences of a text: each ends with a stop, a question or an exclamation mark, with what closes after it (“go.”), or
 * at the end of a line. A colon ends none, nor does the stop of a short form or a number. A part without a word is none.
 */
export function sentencesOf(text: string): string[] {
  const held = text.replace(SHORT_FORMS, (form) => form.replaceAll('.', HELD_STOP));
  return held
    .split(/(?<=[.!?…]["'”’»)\]]*)\s+|\n+/u)
    .map((sentence) => sentence.replaceAll(HELD_STOP, '.').trim())
    .filter((sentence) => /[\p{L}\p{N}]/u.test(sentence));
}
/** Stands for a stop that ends no sentence while a text is parted; no text holds it. */
const HELD_STOP = '\u0000';

const WORD = /\p{N}+(?:[.,:]\p{N}+)*|[\p{L}\p{N}]+(?:[’'-][\p{L}\p{N}]+)*/gu;

/** Words, sentences and syllables of a text; numbers (1.5, 1,000) count as words of one syllable. */
export function countText(text: string, language: WordingLanguage): TextCounts {
  const words = text.match(WORD) ?? [];
  return {
    words: words.length,
    sentences: sentencesOf(text).length,
    syllables: words.reduce((sum, word) => sum + syllablesOf(word, language), 0),
  };
}

/** The same word has the same syllables: counted once. Bounded, since a long-lived server reads many words. */
const COUNTED = new Map<string, number>();
const MOST_COUNTED = 20_000;

export function syllablesOf(word: string, language: WordingLanguage): number {
  const key = `${language}:${word}`;
  const known = COUNTED.get(key);
  if (known !== undefined) return known;
  if (COUNTED.size >= MOST_COUNTED) COUNTED.clear();
  const syllables = countSyllables(word, language);
  COUNTED.set(key, syllables);
  return syllables;
}

function countSyllables(word: string, language: WordingLanguage): number {
  const plain = word.toLowerCase().replace(/[’']/g, '');
  if (/^\p{N}/u.test(plain)) return 1;
  if (language === 'es') return Math.max(1, silabea.getSilabas(plain).numeroSilaba || 1);
  return ENGLISH_BY_HAND[plain] ?? Math.max(1, syllable(plain));
}

/**
 * Reading grade of English: 0.39 · words/sentence + 11.8 · syllables/word − 15.59 (Kincaid et al. 1975).
 * @throws RangeError for a text without a word.
 * @example fleschKincaidGrade({ words: 100, sentences: 5, syllables: 150 }) // 9.91
 */
export function fleschKincaidGrade({ words, sentences, syllables }: TextCounts): number {
  requireWords({ words, sentences, syllables });
  return 0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59;
}

/**
 * Reading ease of Spanish: 206.84 − 60 · syllables/word − 1.02 · words/sentence (Fernández Huerta 1959; from memory).
 * @throws RangeError for a text without a word.
 * @example fernandezHuertaEase({ words: 100, sentences: 5, syllables: 200 }) // 66.44
 */
export function fernandezHuertaEase({ words, sentences, syllables }: TextCounts): number {
  requireWords({ words, sentences, syllables });
  return 206.84 - 60 * (syllables / words) - 1.02 * (words / sentences);
}

/** Grade that Fernández Huerta's scale gives to an ease (1959; from memory): 90 and more is grade 4, 70 to 80 grade 6. */
export function spanishGrade(ease: number): number {
  if (!Number.isFinite(ease)) throw new RangeError(`ease is ${ease}, but must be a number`);
  const steps = [90, 80, 70, 60, 50, 30];
  const grades = [4, 5, 6, 8, 10, 12];
  const place = steps.findIndex((least) => ease >= least);
  return place < 0 ? 14 : grades[place]!;
}

/** The formula of each language that has one. */
const GRADES: Partial<Record<WordingLanguage, (counts: TextCounts) => number>> = {
  en: fleschKincaidGrade,
  es: (counts) => spanishGrade(fernandezHuertaEase(counts)),
};

/** The grade at which a text is read, by the formula of its language; null for no words and for a language without a formula. */
export function readingGrade(text: string, language: WordingLanguage): number | null {
  const counts = countText(text, language);
  if (counts.words === 0) return null;
  return GRADES[language]?.(counts) ?? null;
}

function requireWords({ words, sentences }: TextCounts): void {
  if (words < 1 || sentences < 1) throw new RangeError('A text without words has no reading grade');
}
