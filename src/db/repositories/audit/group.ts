import { createHash } from 'node:crypto';

/** The same children in any order are one group. */
export function hashOfGroup(childIds: readonly number[]): string {
  return createHash('sha256').update(sortedIds(childIds).join(',')).digest('hex');
}

export function sortedIds(childIds: readonly number[]): number[] {
  return [...new Set(childIds)].sort((a, b) => a - b);
}
