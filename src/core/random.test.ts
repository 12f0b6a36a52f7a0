import { seededRandom, splitMix64 } from './random';

it('mixes seeds as SplitMix64 is published (Steele, Lea & Flood 2014; outputs computed by two implementations)', () => {
  const next = splitMix64(1234567);
  expect([next(), next(), next(), next(), next()]).toEqual([
    6457827717110365317n,
    3203168211198807973n,
    9817491932198370423n,
    4593380528125082431n,
    16408922859458223821n,
  ]);
});

// Pearson's chi-square of 16 bins: 15 degrees of freedom, 99.9% quantile 37.70 (from memory).
const CHI_SQUARE_999 = 37.7;

it.each([1, 2, 3])('draws evenly over neighboring seeds: draw %d', (which) => {
  const bins = Array<number>(16).fill(0);
  for (let seed = 0; seed < 8000; seed += 1) {
    const random = seededRandom(20_260_000 + seed);
    let drawn = 0;
    for (let draw = 0; draw < which; draw += 1) drawn = random();
    bins[Math.floor(drawn * 16)]! += 1;
  }
  expect(bins.reduce((sum, count) => sum + (count - 500) ** 2 / 500, 0)).toBeLessThan(CHI_SQUARE_999);
});

it('draws the same from the same seed', () => {
  const [one, other] = [seededRandom(7), seededRandom(7)];
  expect([one(), one(), one()]).toEqual([other(), other(), other()]);
});
