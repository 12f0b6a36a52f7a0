import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws a number from 0 up to, not including, 1. Whoever needs chance takes one as an argument. */
export type Random = () => number;

/** A random source from a seed: the same seed draws the same numbers. @param seed whole */
export function seededRandom(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / 4_294_967_296;
}
