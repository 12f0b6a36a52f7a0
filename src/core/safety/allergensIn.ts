import { plain } from '../text';
import { ALLERGENS, type Allergen } from '../vocabulary';

/** Everyday words for what the checks know, beside their own names. Common practice, no source. */
const OTHER_WORDS: Partial<Record<Allergen, readonly string[]>> = {
  milk: ['dairy', 'lactose'],
  shellfish: ['shrimp', 'crab', 'lobster'],
  treeNuts: ['tree nut', 'nut', 'almond', 'cashew', 'walnut', 'hazelnut', 'pistachio', 'pecan'],
  peanut: ['nut', 'groundnut'],
  wheat: ['gluten', 'celiac', 'coeliac', 'flour'],
  soy: ['soya'],
  latex: ['rubber'],
};

const WORDS = ALLERGENS.map((allergen) => {
  const words = [allergen, ...(OTHER_WORDS[allergen] ?? [])].map((word) => plain(word));
  return { allergen, pattern: new RegExp(`(?<![\\p{L}])(${words.join('|')})e?s?(?![\\p{L}])`, 'u') };
});

/**
 * The allergens that a therapist's own words name, with or without what happens. Words that name none are kept and shown, and
 * no check knows them: the screen says so. It errs to the side of naming: "no milk allergy" names milk.
 * @example allergensIn('Peanuts: hives') // ['peanut']
 */
export function allergensIn(words: string): Allergen[] {
  const told = plain(words);
  return WORDS.filter(({ pattern }) => pattern.test(told)).map(({ allergen }) => allergen);
}
