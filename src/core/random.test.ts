import { seededRandom } from './random';

it('draws the same numbers from the same seed, others from another, all from 0 up to 1', () => {
  const draw = (seed: number) => {
    const random = seededRandom(seed);
    return Array.from({ length: 50 }, () => random());
  };
  expect(draw(5)).toEqual(draw(5));
  expect(draw(5)).not.toEqual(draw(6));
  expect(draw(5).every((value) => value >= 0 && value < 1)).toBe(true);
});
