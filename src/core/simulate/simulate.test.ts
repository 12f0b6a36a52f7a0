import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { chanceOfGood, simulateSession } from '.';

const chanceFrom = (seed: number) => {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / 4_294_967_296;
};
const child = { ability: 1, growth: 0.05 };

describe('a simulated child', () => {
  it('succeeds half the time where ability meets demand, more below, less above', () => {
    expect(chanceOfGood(1, 1)).toBe(0.5);
    expect(chanceOfGood(1, 0.5)).toBeGreaterThan(0.85);
    expect(chanceOfGood(1, 1.5)).toBeLessThan(0.15);
  });

  it('is the same from the same seed, and another from another', () => {
    expect(simulateSession(child, 0.8, 20, chanceFrom(1))).toEqual(simulateSession(child, 0.8, 20, chanceFrom(1)));
    expect(simulateSession(child, 0.8, 20, chanceFrom(1))).not.toEqual(simulateSession(child, 0.8, 20, chanceFrom(2)));
  });

  it('learns most near the edge of what works, and next to nothing far off it', () => {
    const gain = (demand: number) => simulateSession(child, demand, 10, chanceFrom(4)).child.ability - child.ability;
    expect(gain(0.725)).toBeGreaterThan(0.045);
    expect(gain(-1)).toBeLessThan(gain(0.725));
    expect(gain(3)).toBeLessThan(0.001);
  });

  it('hits its chance over many repetitions', () => {
    const { good } = simulateSession(child, 0.8, 5000, chanceFrom(9));
    // Five standard deviations of the binomial.
    const expected = chanceOfGood(1, 0.8);
    expect(Math.abs(good / 5000 - expected)).toBeLessThan(5 * Math.sqrt((expected * (1 - expected)) / 5000));
  });
});
