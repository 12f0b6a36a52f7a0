import { MILLISECONDS_PER_MINUTE, type Instant } from '@/core/calendar';
import { countTryOf, clearTries, inTransaction, uncountTry, type Work } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf } from '../secrets';

const TRIES_MINUTES = 15;
/** Wrong passwords for one account in fifteen minutes before a pause. */
const MOST_TRIES = 8;
/** Wrong passwords from one place, whoever's account: a school behind one address signs in within it. Our own choice. */
const MOST_FROM_ONE_PLACE = 100;
/** Wrong passwords over all accounts, from unknown places: more is someone who tries passwords from everywhere. Our own choice. */
const MOST_OVER_ALL = 1_000;

/** Counter of wrong passwords: an account's from anywhere, or from a browser in which its owner signed in before. */
export type TriesOf =
  | { readonly personId: number; readonly deviceHash: string | null }
  /** No account has this address. */
  | { readonly email: string };

function keyOf(of: TriesOf): string {
  if ('email' in of) return `address:${hashOf(of.email)}`;
  // Counted apart, so that a stranger's tries never lock the owner out where the owner is known.
  return of.deviceHash === null ? `person:${of.personId}` : `device:${of.personId}:${of.deviceHash.slice(0, 40)}`;
}

export interface CountedTry {
  /** True for the try with which the pause begins. */
  readonly isLast: boolean;
}

/** Counts a try at a password or a code, in the database: every web process counts the same. @throws AppError tooManyTries */
export async function countTry(context: Context, of: TriesOf, kind: 'password' | 'factor' = 'password'): Promise<CountedTry> {
  const tries = await count(context, `${kind}:${keyOf(of)}`, MOST_TRIES);
  return { isLast: tries === MOST_TRIES };
}

/** Counts a try from a place, where the browser is not known: a known one is never locked out by strangers. @throws AppError tooManyTries */
export async function countFrom(context: Context, address: string, isKnownDevice: boolean): Promise<void> {
  if (isKnownDevice) return;
  if (address !== '') await count(context, placeKey(address), MOST_FROM_ONE_PLACE);
  await count(context, 'all', MOST_OVER_ALL);
}

/** A right one is no try at guessing: it is taken off again, so that a whole school may sign in from one address. */
export async function uncountFrom(work: Work, address: string, isKnownDevice: boolean, at: Instant): Promise<void> {
  if (isKnownDevice) return;
  if (address !== '') await uncountTry(work, placeKey(address), at);
  await uncountTry(work, 'all', at);
}

/** A network of IPv6 is one place: each device there has addresses without number. */
function placeKey(address: string): string {
  return `place:${address.includes(':') && !address.includes('.') ? `${address.split(':').slice(0, 4).join(':')}::/64` : address}`;
}

async function count(context: Context, key: string, most: number): Promise<number> {
  const now = context.now();
  const { tries, endsAt } = await inTransaction(context.db, (work) => countTryOf(work, key, now, TRIES_MINUTES * MILLISECONDS_PER_MINUTE));
  if (tries > most) throw new AppError('tooManyTries', { minutes: Math.max(1, Math.ceil((endsAt - now) / MILLISECONDS_PER_MINUTE)) });
  return tries;
}

/** It was the right one. */
export async function clearTriesAt(work: Work, of: TriesOf, kind: 'password' | 'factor' = 'password'): Promise<void> {
  await clearTries(work, `${kind}:${keyOf(of)}`);
}
