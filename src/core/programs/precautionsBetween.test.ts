import { stockTask } from '../../../tests/fixtures/tarrowHill';
import type { ChildFacts } from '.';
import { safetyBetween } from '.';

const child: Pick<ChildFacts, 'ageYears' | 'mouthsThings' | 'scissorsAllowed' | 'allergies' | 'texturesAvoided' | 'precautions'> = {
  ageYears: 6,
  mouthsThings: false,
  scissorsAllowed: true,
  allergies: [],
  texturesAvoided: [],
  precautions: [],
};
const asked = (slug: string, asks: ChildFacts['precautions'][number]['asks'], reasons = {}) =>
  safetyBetween(
    stockTask(slug),
    1,
    stockTask(slug).ladder.steps.length,
    { ...child, precautions: [{ words: 'loose joints', asks }] },
    reasons,
  ).filter(({ finding }) => finding.rule === 'precaution');

describe('a precaution', () => {
  it('asks for a reason where the task brings what it asks about, and for none elsewhere', () => {
    expect(asked('crane-lift', ['onSkin', 'lyingFlat', 'weightOnHands'])).toEqual([]);
    const [found, ...others] = asked('level-load', ['smallThings', 'onSkin']);
    expect(others).toEqual([]);
    expect(found).toMatchObject({ stops: true, finding: { severity: 'acknowledge', asks: 'smallThings', of: 'loose joints' } });
  });

  it('is answered by a reason for this very one', () => {
    const [found] = asked('level-load', ['smallThings']);
    expect(asked('level-load', ['smallThings'], { [found!.finding.key]: 'an adult stays' })[0]!.stops).toBe(false);
    expect(asked('level-load', ['smallThings'], { 'precaution:smallThings:seizures': 'an adult stays' })[0]!.stops).toBe(true);
  });

  it('that asks about nothing rules out nothing', () => {
    expect(asked('crane-lift', [])).toEqual([]);
  });
});

it.each([
  ['weightOnHands', 'wall-push'],
  ['heavyGrip', 'clip-crane'],
  ['lyingFlat', 'star-beams'],
  ['smallThings', 'sort-the-hardware'],
  ['onSkin', 'glue-dots'],
] as const)('%s is asked of a task that has it: %s', (ask, slug) => {
  expect(asked(slug, [ask]).map(({ finding }) => finding.asks)).toEqual([ask]);
});
