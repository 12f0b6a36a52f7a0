import { createHmac, randomBytes } from 'node:crypto';
import { hashOf } from '../secrets';

/** A link holds for so long at least from the message that names it. */
export const LINK_DAYS = 60;
/** And for so long after the last day of the program that it opens, so that no family is locked out while it practises; but never longer than a year. */
export const AFTER_PROGRAM_DAYS = 14;
const MOST_DAYS = 365;

/** For how many days a link holds whose program ends in so many days; null where there is none. */
export function linkDays(daysToEnd: number | null): number {
  return Math.min(MOST_DAYS, Math.max(LINK_DAYS, (daysToEnd ?? 0) + AFTER_PROGRAM_DAYS));
}

/** Placeholder for the private link. */
export const LINK_HOLE = '{link}';

export function familyAddress(origin: string, token: string): string {
  return `${origin}/f/${token}`;
}

/** A new link's salt, and the hash of its token, which is all that the database keeps of it. */
export function newLinkParts(linkSecret: string): { readonly tokenSalt: string; readonly token: string; readonly tokenHash: string } {
  const tokenSalt = randomBytes(16).toString('hex');
  const token = tokenOf(linkSecret, tokenSalt);
  return { tokenSalt, token, tokenHash: hashOf(token) };
}

/**
 * The token of a link: 192 bits that nobody can make without the secret, the same each time, so that a text that is sent
 * again after a crash holds the very link that the first one held.
 */
export function tokenOf(linkSecret: string, tokenSalt: string): string {
  return createHmac('sha256', linkSecret).update(tokenSalt).digest().subarray(0, 24).toString('base64url');
}
