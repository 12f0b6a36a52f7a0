import { dictionary } from 'cmu-pronouncing-dictionary';
import fc from 'fast-check';
import { fleschKincaid } from 'flesch-kincaid';
import { checkWording, familyTextOf, readingGrade } from '.';
import { countText, fernandezHuertaEase, fleschKincaidGrade, spanishGrade, syllablesOf } from './readingEase';
import { ENGLISH_JARGON, SPANISH_JARGON } from './jargon';
import { findJargon } from './checkWording';
import { loadLibrary } from '../../../library/loadLibrary';

describe('reading formulas', () => {
  const counts = { words: 100, sentences: 5, syllables: 150 };

  it('give the published worked values (Kincaid et al. 1975)', () => {
    expect(fleschKincaidGrade(counts)).toBeCloseTo(9.91, 6);
  });

  it('give Fernández Huerta’s value (1959; from memory), not the common misreading of it', () => {
    expect(fernandezHuertaEase({ words: 100, sentences: 5, syllables: 200 })).toBeCloseTo(66.44, 6);
    expect([95, 85, 75, 65, 55, 40, 10].map(spanishGrade)).toEqual([4, 5, 6, 8, 10, 12, 14]);
  });

  it('agree with independent packages on any counts', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 600 }),
        (words, sentences, more) => {
          const given = { words, sentences, syllables: words + more };
          const theirs = { sentence: sentences, word: words, syllable: words + more };
          expect(fleschKincaidGrade(given)).toBeCloseTo(fleschKincaid(theirs), 8);
        },
      ),
      { seed: 3, numRuns: 100 },
    );
  });

  it('refuse a text without a word', () => {
    expect(() => fleschKincaidGrade({ words: 0, sentences: 0, syllables: 0 })).toThrow(RangeError);
    expect(readingGrade(' … ', 'en')).toBeNull();
  });
});

describe('counting', () => {
  it.each([
    ['peg', 'en', 1],
    ['scissors', 'en', 2],
    ['occupational', 'en', 5],
    ['every', 'en', 2],
    ['doesn’t', 'en', 2],
    ['12', 'en', 1],
    ['tijeras', 'es', 3],
    ['pinza', 'es', 2],
    ['cuidado', 'es', 3],
    ['río', 'es', 2],
    ['y', 'es', 1],
  ] as const)('%s (%s) has %d syllables', (word, language, count) => {
    expect(syllablesOf(word, language)).toBe(count);
  });

  it('takes words with marks, hyphens and numbers, and sentences with or without an end', () => {
    expect(countText('Pinch it. Don’t let go! Two-handed? 10 times', 'en')).toMatchObject({ words: 8, sentences: 4 });
    expect(countText('¿Qué mano? ¡Esa!', 'es')).toMatchObject({ words: 3, sentences: 2 });
    expect(countText('', 'en')).toEqual({ words: 0, sentences: 0, syllables: 0 });
  });
});

describe('the jargon finder (plain words: common practice, no source)', () => {
  it('knows at least 80 English terms, none twice, each with plainer words that have none of it', () => {
    expect(ENGLISH_JARGON.length).toBeGreaterThanOrEqual(80);
    expect(SPANISH_JARGON.length).toBeGreaterThanOrEqual(30);
    for (const list of [ENGLISH_JARGON, SPANISH_JARGON]) expect(new Set(list.map(([term]) => term)).size).toBe(list.length);
    expect(ENGLISH_JARGON.filter(([, plain]) => findJargon(plain, 'en').length)).toEqual([]);
    expect(SPANISH_JARGON.filter(([, plain]) => findJargon(plain, 'es').length)).toEqual([]);
  });

  it('finds each of its terms within a sentence', () => {
    for (const [term] of ENGLISH_JARGON)
      expect([term, findJargon(`We look at ${term} today.`, 'en').map((found) => found.term)]).toEqual([term, [term]]);
    for (const [term] of SPANISH_JARGON)
      expect([term, findJargon(`Hoy vemos ${term}.`, 'es').map((found) => found.term)]).toEqual([term, [term]]);
  });

  it('takes the longest term, whole words alone, capitals and hyphens as they come', () => {
    expect(findJargon('A Tripod Grasp and bilateral coordination', 'en').map((found) => found.term)).toEqual([
      'Tripod Grasp',
      'bilateral coordination',
    ]);
    expect(findJargon('The tripods stand; a digital clock', 'en')).toEqual([]);
    expect(findJargon('Hand over hand, or hand-over-hand.', 'en')).toHaveLength(2);
    expect(findJargon('Add to the ADLs, not the adls', 'en').map((found) => found.term)).toEqual(['ADLs']);
  });
});

describe('the verdict on a text', () => {
  it('says grade, long sentences and jargon, with numbers', () => {
    const text =
      'Facilitate bilateral coordination by encouraging the caregiver to stabilise the proximal forearm throughout every single one of the repetitions of the intervention.';
    const { findings, words } = checkWording(text, 'en');
    expect(words).toBe(22);
    expect(findings.map((finding) => finding.code)).toEqual(['gradeTooHigh', 'longSentence', ...Array<string>(8).fill('jargon')]);
    expect(findings[1]).toMatchObject({ words: 22, most: 18 });
  });

  it('finds nothing in plain words', () => {
    expect(checkWording('Pinch the peg. Put it on. Let go.', 'en').findings).toEqual([]);
    expect(checkWording('Abre el gancho. Ponlo y suelta.', 'es').findings).toEqual([]);
  });

  it('reads all that a family reads of a task', () => {
    const task = loadLibrary()[0]!;
    const text = familyTextOf(task, 'en');
    for (const part of [
      task.ladder.steps[0]!.how,
      task.helperSteps[0]!,
      task.childSteps[0]!,
      task.looksRight[0]!,
      task.cautions[0]!,
      task.stopRule,
    ])
      expect(text).toContain(part.en);
  });
});

describe('sentences end where a reader ends them (B9)', () => {
  it.each([
    ['Say: go. Then stop.', 2],
    ['He says “go.” Then he stops.', 2],
    ['(He went.) Then he stops.', 2],
    ['Use a big one, e.g. a lid.', 1],
    ['It is 1.5 cm long.', 1],
    ['Take a peg\nClip it on', 2],
  ])('%s', (text, sentences) => {
    expect(countText(text, 'en').sentences).toBe(sentences);
  });

  it('a colon makes no text easier', () => {
    expect(readingGrade('Say: pinch the peg and let it go again', 'en')).toBeCloseTo(
      readingGrade('Say pinch the peg and let it go again', 'en')!,
      6,
    );
  });

  it('a number is one word', () => {
    expect([countText('1.5', 'en').words, countText('1,000', 'en').words]).toEqual([1, 1]);
  });
});

it.each([
  ['quiet', 2],
  ['science', 2],
  ['poem', 2],
  ['area', 3],
  ['cooperate', 4],
])('%s has %d syllables (B10)', (word, syllables) => {
  expect(syllablesOf(word, 'en')).toBe(syllables);
});

it('a long text full of jargon is swept once (B14)', () => {
  expect(findJargon('Bilateral coordination. '.repeat(20_000), 'en')).toHaveLength(20_000);
});

describe('syllables against a published dictionary (Carnegie Mellon Pronouncing Dictionary)', () => {
  /** A vowel of the dictionary carries its stress as a digit: one a syllable. */
  const published = (word: string) => (dictionary as Readonly<Record<string, string>>)[word]?.match(/\d/g)?.length;

  it('agree in 97 of 100 words of the stock library, each word counted once', () => {
    const words = new Set(
      loadLibrary().flatMap(
        (task) =>
          familyTextOf(task, 'en')
            .toLowerCase()
            .match(/[a-z]{2,}/g) ?? [],
      ),
    );
    const known = [...words].filter((word) => published(word) !== undefined);
    const wrong = known.filter((word) => syllablesOf(word, 'en') !== published(word));
    expect(known.length).toBeGreaterThan(800);
    expect(wrong.length / known.length).toBeLessThanOrEqual(0.03);
  });
});
