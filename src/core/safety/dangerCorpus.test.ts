import { readFileSync } from 'node:fs';
import path from 'node:path';
import { dangerClauses, dangerIn, isUpset } from '.';

interface Comment {
  readonly language: string;
  readonly kind: 'harm' | 'safe';
  readonly text: string;
}

const corpus = (name: 'held' | 'built'): Comment[] =>
  readFileSync(path.join('tests', 'fixtures', 'danger', `${name}.tsv`), 'utf8')
    .trim()
    .split('\n')
    .map((line) => line.split('\t'))
    .map(([language, kind, , text]) => ({ language: language!, kind: kind as Comment['kind'], text: text! }));

const LEAST_FOUND: { readonly [language: string]: number } = { en: 0.97, es: 0.97, fr: 0.92, pt: 0.92, ar: 0.92 };
const MOST_FALSE = 0.15;

// Comments of our own, as families write them (no published source). Those of held.tsv were written before the reader, and its lists are
// not tuned on them; docs/sources.md has the figures.
describe.each(['held', 'built'] as const)('comments of %s.tsv', (name) => {
  const share = (language: string, kind: Comment['kind']) => {
    const comments = corpus(name).filter((comment) => comment.language === language && comment.kind === kind);
    return comments.filter(({ text }) => dangerIn(text).length > 0).length / comments.length;
  };

  it.each(Object.entries(LEAST_FOUND))('finds what may be harm in %s at least %d of the time', (language, least) => {
    expect(share(language, 'harm')).toBeGreaterThanOrEqual(least);
  });

  it.each(Object.keys(LEAST_FOUND))('raises few false alarms in %s', (language) => {
    expect(share(language, 'safe')).toBeLessThanOrEqual(MOST_FALSE);
  });
});

it('keeps the corpus at 600 comments or more, half of them put aside', () => {
  expect(corpus('held').length + corpus('built').length).toBeGreaterThanOrEqual(600);
  expect(corpus('held').length).toBeGreaterThanOrEqual(300);
  expect(new Set([...corpus('held'), ...corpus('built')].map(({ text }) => text)).size).toBeGreaterThanOrEqual(600);
});

it.each([
  ['crane 10 but the zip pinched her chin and it bled', ['the zip pinched her chin and it bled']],
  ['A8 B10, zip pinched his neck', ['zip pinched his neck']],
  ['A8. her thumb is red and puffy. B4', ['her thumb is red and puffy']],
  ['all fine, 8 of 10', []],
])('says which clause tells of harm: %s', (text, clauses) => {
  expect(dangerClauses(text).map((clause) => clause.text.trim())).toEqual(clauses);
});

it.each([
  'A8 but she cried the whole time',
  'hubo mucho llanto',
  'she hated it',
  'lloró mucho',
  'elle a pleuré',
  'chorou muito',
  'بكت طوال الوقت',
])('hears that a child was upset: %s', (text) => expect(isUpset(text)).toBe(true));

it.each(['no tears today', 'A8, great fun', 'sin llorar', ''])('hears no upset in: %s', (text) => expect(isUpset(text)).toBe(false));
