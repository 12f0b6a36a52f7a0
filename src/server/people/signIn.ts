import { hash, verify } from '@node-rs/argon2';
import { RateLimiterRes } from 'rate-limiter-flexible';
import { z } from 'zod';
import { instantAfterDays } from '@/core/calendar';
import { addSignIn, inTransaction, personByEmail } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf, newToken } from '../secrets';

const inputSchema = z.object({
  email: z.string().trim().toLowerCase().min(3).max(190),
  password: z.string().min(1).max(200),
  device: z.string().max(400).default(''),
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
  const { email, password, device } = input.data;
  await countTry(context, email);
  const person = await inTransaction(context.db, (work) => personByEmail(work, email));
  // Checking takes a tenth of a second: no connection is held meanwhile.
  nobodysHash ??= await hashPassword(newToken());
  const isRight = await verify(person?.passwordHash ?? nobodysHash, password);
  if (!person || !isRight) throw new AppError('signInFailed');
  await context.signInTries.delete(email);
  const token = newToken();
  const createdAt = context.now();
  const expiresAt = instantAfterDays(createdAt, SIGN_IN_DAYS);
  await inTransaction(context.db, (work) =>
    addSignIn(work, { personId: person.id, tokenHash: hashOf(token), device: device.slice(0, MOST_DEVICE_LETTERS), createdAt, expiresAt }),
  );
  return { token, lastsSeconds: Math.floor((expiresAt - createdAt) / 1000) };
}

/** Counts a try at an address's password. @throws AppError tooManyTries */
export async function countTry(context: Context, email: string): Promise<void> {
  try {
    await context.signInTries.consume(email);
  } catch (limit) {
    if (limit instanceof RateLimiterRes) throw new AppError('tooManyTries', { minutes: Math.ceil(limit.msBeforeNext / 60_000) });
    throw limit;
  }
}
