import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A random source from a seed: the same seed draws the same numbers, from 0 up to, not including, 1. */
export function seededRandom(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / 4_294_967_296;
}
