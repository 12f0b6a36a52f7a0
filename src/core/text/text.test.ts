import { isTranslated, languageOf, localTextSchemaOf, mapText, plain, say, textOf } from '.';

describe('a text in several languages', () => {
  it('is said in English where it is not translated, and knows that', () => {
    expect([say({ en: 'lid', es: 'tapa' }, 'es'), say({ en: 'lid' }, 'es'), say({ en: 'lid', es: '' }, 'es')]).toEqual([
      'tapa',
      'lid',
      'lid',
    ]);
    expect([isTranslated({ en: 'lid', es: 'tapa' }, 'es'), isTranslated({ en: 'lid', es: '' }, 'es')]).toEqual([true, false]);
  });

  it('is changed in each language that it has, and gains none', () => {
    expect(mapText({ en: 'lid', es: 'tapa' }, (words, language) => `${language}:${words}`)).toEqual({ en: 'en:lid', es: 'es:tapa' });
    expect(mapText({ en: 'lid' }, (words) => words)).toEqual({ en: 'lid' });
    expect(textOf({ en: 'lid', es: 'tapa', id: 'x' } as never)).toEqual({ en: 'lid', es: 'tapa' });
  });

  it('always has English, and nothing but languages', () => {
    const parses = (least: 0 | 1, text: unknown) => localTextSchemaOf(least).safeParse(text).success;
    expect([parses(1, { en: 'lid' }), parses(1, { es: 'tapa' }), parses(1, { en: '' }), parses(0, { en: '' })]).toEqual([
      true,
      false,
      false,
      true,
    ]);
    expect(parses(1, { en: 'lid', xx: 'no' })).toBe(false);
  });

  it('a language that is not spoken is English', () => {
    expect(['es', 'xx', null, undefined].map(languageOf)).toEqual(['es', 'en', 'en', 'en']);
    expect(plain(' Zoë ÑANDÚ ')).toBe('zoe nandu');
  });
});
