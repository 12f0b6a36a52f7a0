import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { HELP_LEVELS } from '../vocabulary';
import { afterGap, simulateSession } from '.';
import { chanceOfGood } from './simulatedChild';

const chanceFrom = (seed: number) => {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / 4_294_967_296;
};
const child = { ability: 1, held: 0.6, growth: 0.05 };

describe('a simulated child', () => {
  it('succeeds half the time where ability meets demand, more below, less above', () => {
    expect(chanceOfGood(1, 1)).toBe(0.5);
    expect(chanceOfGood(1, 0)).toBeGreaterThan(0.85);
    expect(chanceOfGood(1, 2)).toBeLessThan(0.15);
  });

  it('is the same from the same seed, and another from another', () => {
    expect(simulateSession(child, 0.8, 20, chanceFrom(1))).toEqual(simulateSession(child, 0.8, 20, chanceFrom(1)));
    expect(simulateSession(child, 0.8, 20, chanceFrom(1))).not.toEqual(simulateSession(child, 0.8, 20, chanceFrom(2)));
  });

  it('learns most near the edge of what works, and next to nothing far off it', () => {
    const gain = (demand: number) => simulateSession(child, demand, 10, chanceFrom(4)).child.ability - child.ability;
    expect(gain(0.45)).toBeGreaterThan(0.045);
    expect(gain(-1)).toBeLessThan(gain(0.45));
    expect(gain(4)).toBeLessThan(0.001);
  });

  it('succeeds more often with more help, never less', () => {
    const chances = [...HELP_LEVELS].reverse().map((help) => chanceOfGood(1, 1.4, help));
    expect(chances).toEqual([...chances].sort((one, other) => one - other));
    expect(new Set(chances).size).toBe(HELP_LEVELS.length);
  });

  it('is helped where it misses, and not where it does not', () => {
    expect(simulateSession(child, -1.5, 20, chanceFrom(2)).help).toBe('alone');
    expect(simulateSession(child, 4, 20, chanceFrom(2)).help).toBe('steadied');
  });

  it('hits its chance over many repetitions where no help is given', () => {
    const easy = -3;
    const { good, help } = simulateSession(child, easy, 5000, chanceFrom(9));
    const expected = chanceOfGood(1, easy);
    // Five standard deviations of the binomial; a few tries come with a little help.
    expect(help).toBe('alone');
    expect(Math.abs(good / 5000 - expected)).toBeLessThan(5 * Math.sqrt((expected * (1 - expected)) / 5000) + 0.005);
  });

  it('keeps what it held, and loses what it gained by and by', () => {
    expect(afterGap(child, 3).ability).toBe(1);
    // Half of the 0.4 gained is gone after three days and forty.
    expect(afterGap(child, 43).ability).toBeCloseTo(0.8, 12);
    expect(afterGap(child, 4_000).ability).toBeCloseTo(0.6, 9);
    expect(afterGap({ ...child, ability: 0.5 }, 100).ability).toBe(0.5);
    expect(() => afterGap(child, -1)).toThrow(RangeError);
  });
});
