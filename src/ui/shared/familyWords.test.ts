import { readdirSync, readFileSync } from 'node:fs';
import { LANGUAGES, languageOf, TASK_LANGUAGES } from '@/core/text';
import { familyWords } from './familyWords';

const messages = (folder: string, language: string) => JSON.parse(readFileSync(`messages/${folder}/${language}.json`, 'utf8')) as object;

function leavesOf(value: object, path = ''): [string, string][] {
  return Object.entries(value).flatMap(([key, inner]): [string, string][] =>
    typeof inner === 'object' ? leavesOf(inner as object, `${path}${key}.`) : [[`${path}${key}`, String(inner)]],
  );
}
const OF_THE_EDITOR = /^(?:levels|shapes|shapeKnob|yourChild)\b/;
const holesOf = (text: string) => [...text.matchAll(/\{(\w+)/g)].map((hole) => hole[1]).sort();

describe.each(['family', 'texts'])('the words in messages/%s', (folder) => {
  it('come in each language of the product, and in no other', () => {
    expect(readdirSync(`messages/${folder}`).sort()).toEqual(LANGUAGES.map((language) => `${language}.json`).sort());
  });

  it.each(LANGUAGES)('%s: says all that English says, with the same holes', (language) => {
    // Words of the editor alone are only in the languages of the library.
    const isAsked = ([path]: [string, string]) => TASK_LANGUAGES.some((each) => each === language) || !OF_THE_EDITOR.test(path);
    const english = leavesOf(messages(folder, 'en'))
      .filter(isAsked)
      .map(([path, text]) => [path, holesOf(text)]);
    const other = leavesOf(messages(folder, language)).map(([path, text]) => [path, holesOf(text)]);
    expect(new Map(other as [string, string[]][])).toEqual(new Map(english as [string, string[]][]));
  });
});

it('counts in the language that is spoken, and falls back to English for one that is not', async () => {
  expect((await familyWords('en')).t('minutesAbout', { minutes: 1 })).toBe('about 1 minute');
  expect((await familyWords('es')).t('minutesAbout', { minutes: 4 })).toBe('más o menos 4 minutos');
  expect((await familyWords('ar')).t('minutesAbout', { minutes: 2 })).toBe('حوالي دقيقتين');
  expect((await familyWords('ar')).t('minutesAbout', { minutes: 5 })).toBe('حوالي 5 دقائق');
  expect((await familyWords('fr')).t('minutesAbout', { minutes: 1 })).toBe('environ 1 minute');
  expect(languageOf('vi')).toBe('en');
  expect((await familyWords('es')).local({ en: 'lid' })).toBe('lid');
});
