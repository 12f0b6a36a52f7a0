import { xoroshiro128plusFromState } from 'pure-rand/generator/xoroshiro128plus';

/** Draws a number from 0 up to, not including, 1. Whoever needs chance takes one as an argument. */
export type Random = () => number;

const MASK = (1n << 64n) - 1n;

/**
 * The numbers of SplitMix64 from a seed, 64 bits each: neighboring seeds give numbers that have nothing in common.
 * Source: Steele, Lea & Flood 2014, Fast splittable pseudorandom number generators.
 */
export function splitMix64(seed: number | bigint): () => bigint {
  let state = BigInt(seed) & MASK;
  return () => {
    state = (state + 0x9e3779b97f4a7c15n) & MASK;
    const first = ((state ^ (state >> 30n)) * 0xbf58476d1ce4e5b9n) & MASK;
    const second = ((first ^ (first >> 27n)) * 0x94d049bb133111ebn) & MASK;
    return second ^ (second >> 31n);
  };
}

/**
 * A random source from a seed: the same seed draws the same numbers, and the first draws of neighboring seeds are as far apart as any.
 * @param seed whole
 */
export function seededRandom(seed: number): Random {
  const mixed = splitMix64(seed);
  const halves = [mixed(), mixed()].flatMap((word) => [Number(word >> 32n) | 0, Number(word & 0xffffffffn) | 0]);
  const generator = xoroshiro128plusFromState(halves);
  return () => (generator.next() >>> 0) / 4_294_967_296;
}
