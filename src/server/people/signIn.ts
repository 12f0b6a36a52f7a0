import { hash, verify } from '@node-rs/argon2';
import { z } from 'zod';
import { instantAfterDays } from '@/core/calendar';
import { addSignIn, countTryOf, forgetTries, inTransaction, personByEmail } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf, newToken } from '../secrets';

const inputSchema = z.object({
  email: z.string().trim().toLowerCase().min(3).max(190),
  password: z.string().min(1).max(200),
  device: z.string().max(400).default(''),
  /** Where the person is, as far as the web server knows. */
  address: z.string().max(45).default(''),
});

const SIGN_IN_DAYS = 14;
const MOST_DEVICE_LETTERS = 120;

/** argon2id, as OWASP's password storage sheet asks: 19 MiB, two passes (value from memory). */
const ARGON2 = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** The hash that a made-up address is checked against, so that it takes as long as a real one. */
let nobodysHash: string | null = null;

export async function hashPassword(password: string): Promise<string> {
  return hash(password, ARGON2);
}

/**
 * Opens a session. Gives back the token for the cookie; the database keeps its hash.
 * @throws AppError signInFailed, tooManyTries
 */
export async function signIn(context: Context, raw: unknown): Promise<{ token: string; lastsSeconds: number }> {
  const input = inputSchema.safeParse(raw);
  if (!input.success) throw new AppError('signInFailed');
  const { email, password, device, address } = input.data;
  await countTry(context, email);
  if (address !== '') await countFrom(context, address);
  const person = await inTransaction(context.db, (work) => personByEmail(work, email));
  // Checking takes a tenth of a second: no connection is held meanwhile.
  nobodysHash ??= await hashPassword(newToken());
  const isRight = await verify(person?.passwordHash ?? nobodysHash, password);
  if (!person || !isRight || person.closedAt !== null) throw new AppError('signInFailed');
  await forgetTriesAt(context, email);
  const token = newToken();
  const createdAt = context.now();
  const expiresAt = instantAfterDays(createdAt, SIGN_IN_DAYS);
  await inTransaction(context.db, (work) =>
    addSignIn(work, {
      personId: person.id,
      tokenHash: hashOf(token),
      device: device.slice(0, MOST_DEVICE_LETTERS),
      address,
      createdAt,
      expiresAt,
    }),
  );
  return { token, lastsSeconds: Math.floor((expiresAt - createdAt) / 1000) };
}

/** Eight wrong tries for an address in fifteen minutes, then a pause. */
const MOST_TRIES = 8;
const TRIES_MINUTES = 15;
const MINUTE = 60_000;

/** Of an address its hash: whatever letters it has, and nobody reads it there. */
const keyOf = (email: string) => `password:${hashOf(email)}`;

/** Counts a try at an address's password, in the database: every web process counts the same. @throws AppError tooManyTries */
export async function countTry(context: Context, email: string): Promise<void> {
  const now = context.now();
  const { tries, endsAt } = await inTransaction(context.db, (work) => countTryOf(work, keyOf(email), now, TRIES_MINUTES * MINUTE));
  if (tries > MOST_TRIES) throw new AppError('tooManyTries', { minutes: Math.max(1, Math.ceil((endsAt - now) / MINUTE)) });
}

/** So many tries from one place, whoever's account: a school behind one address signs in within it. Our own choice. */
const MOST_FROM_ONE_PLACE = 100;

async function countFrom(context: Context, address: string): Promise<void> {
  const now = context.now();
  const { tries, endsAt } = await inTransaction(context.db, (work) => countTryOf(work, `place:${address}`, now, TRIES_MINUTES * MINUTE));
  if (tries > MOST_FROM_ONE_PLACE) throw new AppError('tooManyTries', { minutes: Math.max(1, Math.ceil((endsAt - now) / MINUTE)) });
}

/** The password was the right one. */
export async function forgetTriesAt(context: Context, email: string): Promise<void> {
  await inTransaction(context.db, (work) => forgetTries(work, keyOf(email)));
}
