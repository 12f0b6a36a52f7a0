import { plain } from '../text';
import type { WordingLanguage } from './readingEase';

/** Number words of a language; languages without a list have only their digits read. */
const NUMBERS: Partial<Record<WordingLanguage, Readonly<Record<string, number>>>> = {
  en: {
    ...{ two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, eleven: 11, twelve: 12 },
    ...{ fifteen: 15, twenty: 20, thirty: 30, forty: 40, fifty: 50 },
  },
  es: {
    ...{ dos: 2, tres: 3, cuatro: 4, cinco: 5, seis: 6, siete: 7, ocho: 8, nueve: 9, diez: 10, once: 11, doce: 12 },
    ...{ quince: 15, veinte: 20, treinta: 30, cuarenta: 40, cincuenta: 50 },
  },
};

export interface NumberInWords {
  /** From 2 on: "one" and "a" count nothing. */
  readonly value: number;
  /** The words right after it, in small letters without accents, up to the next mark or number. */
  readonly after: readonly string[];
}

/** How far behind a number the thing stands that it counts: "eight big wet sponge blocks". */
const WORDS_AFTER = 4;

/**
 * The numbers that a text names, as digits or as words, with what follows them.
 * @example numbersInWords('Carry ten small cubes. Go slow.', 'en') // [{ value: 10, after: ['small', 'cubes'] }]
 */
export function numbersInWords(text: string, language: WordingLanguage): NumberInWords[] {
  return text.split(/[.,;:!?()“”"\n]+/u).flatMap((clause) => {
    const words = plain(clause).split(/\s+/u).filter(Boolean);
    const values = words.map((word) => NUMBERS[language]?.[word] ?? (/^\d{1,3}$/.test(word) ? Number(word) : 0));
    return values.flatMap((value, index) => {
      if (value < 2) return [];
      const next = values.findIndex((other, place) => place > index && other >= 2);
      return [{ value, after: words.slice(index + 1, next < 0 ? index + 1 + WORDS_AFTER : Math.min(next, index + 1 + WORDS_AFTER)) }];
    });
  });
}
