import { createHash } from 'node:crypto';

/** A report's key made of what it is of: told again it is the same one. In the form that keys have. */
export function keyOf(text: string): string {
  const hash = createHash('sha256').update(text).digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-5${hash.slice(13, 16)}-a${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}
