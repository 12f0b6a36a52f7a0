import { readdirSync, readFileSync } from 'node:fs';
import { segmentsOf } from '@/core/text';
import { FACES, hitsOf, messages, PATTERNS, shownIn, type Face } from './wordRules';

/** What is right in spite of a pattern, by face, with the reason. */
const ALLOWED: Readonly<Partial<Record<Face, readonly RegExp[]>>> = {
  desk: [/takes over as lead/, /^\{\}: this task \{asks/],
  // Word lists of the readers of replies and of injuries hold what families write; jargon lists hold what is replaced.
  'server and core': [/\|.*\||\.\.\d|^(?:\w+(?:\/s)?[ /]){8}|goes on the head|^goes on$|^second factor$/],
  // Names of programs and settings, and the pages that commands write, which `docs` looks at.
  'command line': [/^yard$/, /^# /, /^;gcache/],
  docs: [/\b(?:about|of) whom\b/, /^What Kept for/],
};

/** Patterns that hold on every face, and those that a face has besides. */
const EVERYWHERE = ['word for report or message', 'till, anew, reckon, whom, nobody', 'British', 'space before %', 'by itself'];
const PATTERNS_OF: Readonly<Record<Face, readonly string[]>> = {
  desk: Object.keys(PATTERNS),
  family: Object.keys(PATTERNS),
  texts: Object.keys(PATTERNS),
  teacher: Object.keys(PATTERNS),
  README: Object.keys(PATTERNS),
  'server and core': Object.keys(PATTERNS),
  'command line': Object.keys(PATTERNS).filter((name) => name !== 'two “that” in a sentence'),
  docs: Object.keys(PATTERNS).filter((name) => !['two “that” in a sentence', 'of it, of them, of ours', 'semicolon'].includes(name)),
  'docs for engineers': EVERYWHERE,
  // Stories play in the yard of the crew, things stand on tables, and lids come off.
  library: EVERYWHERE.filter((name) => name !== 'word for report or message'),
};

const findings = (face: Face) => {
  const strings = FACES[face]();
  const isAllowed = (words: string) => ALLOWED[face]?.some((allowed) => allowed.test(words));
  return PATTERNS_OF[face].flatMap((name) =>
    hitsOf(name, strings)
      .filter((words) => !isAllowed(words))
      .map((words) => `${name}: ${words}`),
  );
};

describe('the words that people read', () => {
  test('are looked through: text, attributes, templates, and neither code nor class names', () => {
    const code = 'const x = <p className="no word here" title="Told you so">No word yet {`sent ${a} till noon`}</p>;';
    expect(shownIn('x.tsx', code)).toEqual(['Told you so', 'No word yet', 'sent', 'till noon']);
    const hits = (words: string) => Object.keys(PATTERNS).filter((name) => hitsOf(name, [words]).length > 0);
    expect(hits('No word yet')).toEqual(['word for report or message']);
    expect(hits('Nothing till noon; 27 %')).toEqual(['till, anew, reckon, whom, nobody', 'semicolon', 'space before %']);
    expect(hits('Yard Steps: ./yard demo')).toEqual([]);
    expect(hits('The yard is full')).toEqual(['private words']);
    expect(hits('What the family sees on its own page each day.')).toEqual(['headless who/what']);
    expect(hits('What do you have at home?')).toEqual([]);
    expect(FACES.desk().length).toBeGreaterThan(2_000);
  });

  test.each(Object.keys(FACES) as Face[])('of %s have no finding', (face) => {
    expect(findings(face)).toEqual([]);
  });

  test('of English texts fit the basic letters of a text message, with one link and the way out in full', () => {
    const texts = messages('messages/texts/en.json');
    expect(texts.filter((text) => segmentsOf(text).encoding !== 'GSM-7')).toEqual([]);
    expect(texts.filter((text) => /\bSTOP\b/.test(text) && !/Reply STOP to end all texts\.$/.test(text))).toEqual([]);
  });

  test('of Spanish never say that someone “gets cut”, and address one person at a time', () => {
    const spanish = [
      ...messages('messages/family/es.json'),
      ...messages('messages/texts/es.json'),
      ...readdirSync('library/words/es').flatMap((file) => messages(`library/words/es/${file}`)),
    ];
    expect(spanish.filter((words) => /\b[Ss]e corta\b/.test(words))).toEqual([]);
    expect(spanish.filter((words) => /\busted\b/i.test(words) && /\bustedes\b/i.test(words))).toEqual([]);
    expect(spanish.filter((words) => /pulgadas?/.test(words) && /\bcm\b/.test(words))).toEqual([]);
    expect(
      messages('messages/family/es.json').filter((words) => /\bpasos?\b/.test(words) && !/^(?:un|dos|cuatro) pasos?\b/.test(words)),
    ).toEqual([]);
  });

  test('name an activity in quotes after a verb, since many titles are commands', () => {
    for (const language of ['en', 'es', 'fr', 'pt', 'ar']) {
      const family = JSON.parse(readFileSync(`messages/family/${language}.json`, 'utf8')) as { hurtTitle: string; closedTitle: string };
      const { replies } = JSON.parse(readFileSync(`messages/texts/${language}.json`, 'utf8')) as { replies: { hurt: string } };
      for (const text of [family.hurtTitle, family.closedTitle, replies.hurt]) expect(text).toMatch(/["“«]\s?\{task\}\s?["”»]/);
    }
  });
});
