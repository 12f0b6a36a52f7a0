import type { LocalText } from '../text';
import type { TaskContent } from '../tasks';
import { ENGLISH_JARGON, SPANISH_JARGON } from './jargon';
import { countText, readingGrade, sentencesOf, type WordingLanguage } from './readingEase';

/** Family words are read at this grade or below. */
export const MOST_GRADE = 6;
/** Sentences longer than this are said. Common practice, no published source. */
export const MOST_WORDS_IN_SENTENCE = 18;

export type WordingFinding =
  | { readonly code: 'gradeTooHigh'; readonly grade: number; readonly most: number }
  | { readonly code: 'longSentence'; readonly sentence: string; readonly words: number; readonly most: number }
  | { readonly code: 'jargon'; readonly term: string; readonly plain: string };

export interface WordingVerdict {
  readonly words: number;
  readonly sentences: number;
  /** null where there is no word. */
  readonly grade: number | null;
  readonly findings: readonly WordingFinding[];
}

/** Languages without a list have no jargon to find. */
const PATTERNS: Partial<Record<WordingLanguage, readonly { readonly term: RegExp; readonly plain: string }[]>> = {
  en: ENGLISH_JARGON.map(toPattern),
  es: SPANISH_JARGON.map(toPattern),
};

function toPattern([term, plain]: readonly [string, string]) {
  const flags = /^[A-Z]+s?$/.test(term) ? 'gu' : 'giu';
  return { term: new RegExp(`(?<![\\p{L}\\p{N}])${term.replace(/[-]/g, '[- ]')}(?![\\p{L}\\p{N}])`, flags), plain };
}

/**
 * How plain a text is: reading grade by the formula of its language, sentences that are too long, therapists' terms with
 * plain words to take instead. The longest term wins where two overlap.
 * @example checkWording('Use a tripod grasp.', 'en').findings // jargon: “tripod grasp” → thumb and two fingers
 */
export function checkWording(text: string, language: WordingLanguage): WordingVerdict {
  const { words, sentences } = countText(text, language);
  const grade = readingGrade(text, language);
  const findings: WordingFinding[] = [];
  if (grade !== null && grade > MOST_GRADE) findings.push({ code: 'gradeTooHigh', grade, most: MOST_GRADE });
  for (const sentence of sentencesOf(text)) {
    const { words: long } = countText(sentence, language);
    if (long > MOST_WORDS_IN_SENTENCE) findings.push({ code: 'longSentence', sentence, words: long, most: MOST_WORDS_IN_SENTENCE });
  }
  return { words, sentences, grade, findings: [...findings, ...findJargon(text, language)] };
}

export function findJargon(text: string, language: WordingLanguage): Extract<WordingFinding, { code: 'jargon' }>[] {
  const hits = (PATTERNS[language] ?? []).flatMap(({ term, plain }) =>
    [...text.matchAll(term)].map((match) => ({ from: match.index, to: match.index + match[0].length, term: match[0], plain })),
  );
  // From left to right, the longer of two that begin together first: a hit lies within a longer one if one so far reaches its end.
  const ordered = hits.sort((a, b) => a.from - b.from || b.to - a.to);
  let [reach, reachFrom] = [-1, -1];
  const longest = ordered.filter(({ from, to }) => {
    const isWithin = to < reach || (to === reach && from > reachFrom);
    if (to > reach) [reach, reachFrom] = [to, from];
    return !isWithin;
  });
  return longest.map(({ term, plain }) => ({ code: 'jargon', term, plain }));
}

/** All that a family reads of a task, in one language, as one text. */
export function familyTextOf(task: TaskContent, language: WordingLanguage): string {
  const texts: LocalText[] = [
    ...task.ladder.steps.map((step) => step.how),
    ...(task.dose.goodOne ? [task.dose.goodOne] : []),
    ...task.helperSteps,
    ...task.childSteps,
    ...task.cues,
    ...task.looksRight,
    ...task.cautions,
    task.stopRule,
  ];
  return texts.flatMap((text) => text[language] ?? []).join('\n');
}
