import { createHash } from 'node:crypto';
import { seededRandom, type Random } from '@/core/random';

const SEED = 20_260_817;

/** Chance of its own for whatever the parts name, the same each time: neighbours in number are no neighbours in luck. */
export function chanceOf(...parts: readonly (string | number)[]): Random {
  return seededRandom(
    createHash('sha256')
      .update([SEED, ...parts].join(' '))
      .digest()
      .readInt32BE(0),
  );
}
