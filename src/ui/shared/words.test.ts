import en from '../../../messages/en.json';
import es from '../../../messages/es.json';
import { familyWords, languageFor, words } from './words';

const FAMILY_PARTS = ['texts', 'family', 'reportIssues', 'faults', 'levels', 'familySafety', 'allergens', 'shapes'] as const;

function keysOf(value: object, path = ''): string[] {
  return Object.entries(value).flatMap(([key, inner]) =>
    typeof inner === 'object' ? keysOf(inner as object, `${path}${key}.`) : [`${path}${key}`],
  );
}
const holesOf = (text: string) => [...text.matchAll(/\{(\w+)/g)].map((hole) => hole[1]).sort();
const at = (messages: object, path: string) =>
  path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], messages) as string;

describe('the words for families', () => {
  it.each(FAMILY_PARTS)('%s: both languages say the same things with the same holes', (part) => {
    expect(keysOf(es[part]).sort()).toEqual(keysOf(en[part]).sort());
    for (const key of keysOf(en[part])) expect([key, holesOf(at(es[part], key))]).toEqual([key, holesOf(at(en[part], key))]);
  });

  it('count in both languages', () => {
    expect(familyWords('en')('family.minutesAbout', { minutes: 1 })).toBe('about 1 minute');
    expect(familyWords('es')('family.minutesAbout', { minutes: 4 })).toBe('unos 4 minutos');
  });

  it('fall back to English for a language that is not spoken', () => {
    expect(languageFor('vi')).toBe('en');
    expect(languageFor('es')).toBe('es');
  });
});

it('has therapist’s words for every finding and fault', () => {
  expect(words('findings.overBudget', { day: 'Monday', minutes: 25, budget: 20 })).toBe(
    'Monday: 25 minutes; this family has 20. Take a task off a day, or fewer rounds.',
  );
  expect(keysOf(en.faults)).toEqual(expect.arrayContaining(['staleVersion', 'databaseAway', 'reasonNeeded']));
});
