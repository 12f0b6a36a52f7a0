import { hash, verify } from '@node-rs/argon2';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { z } from 'zod';
import { inTransaction, personByEmail } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf, newToken } from '../secrets';

const inputSchema = z.object({
  email: z.string().trim().toLowerCase().min(3).max(190),
  password: z.string().min(1).max(200),
  device: z.string().max(400).default(''),
});

export const SIGN_IN_DAYS = 14;
const MILLISECONDS_PER_DAY = 86_400_000;

/** argon2id, as OWASP's password storage sheet asks: 19 MiB, two passes (value from memory). */
const ARGON2 = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Eight wrong tries for an address in fifteen minutes, then a pause. */
const tries = new RateLimiterMemory({ points: 8, duration: 15 * 60 });

/** The hash that a made-up address is checked against, so that it takes as long as a real one. */
let nobodysHash: string | null = null;

export async function hashPassword(password: string): Promise<string> {
  return hash(password, ARGON2);
}

/**
 * Opens a session. Gives back the token for the cookie; the database keeps its hash.
 * @throws AppError signInFailed, tooManyTries
 */
export async function signIn(context: Context, raw: unknown): Promise<{ token: string; expiresAt: number }> {
  const input = inputSchema.safeParse(raw);
  if (!input.success) throw new AppError('signInFailed');
  const { email, password, device } = input.data;
  await countTry(email);
  return inTransaction(context.db, async (work) => {
    const person = await personByEmail(work, email);
    nobodysHash ??= await hashPassword(newToken());
    const right = await verify(person?.passwordHash ?? nobodysHash, password);
    if (!person || !right) throw new AppError('signInFailed');
    await tries.delete(email);
    const token = newToken();
    const now = context.now();
    const expiresAt = now + SIGN_IN_DAYS * MILLISECONDS_PER_DAY;
    await work.insert('sign_ins', {
      person_id: person.id,
      token_hash: hashOf(token),
      device: device.slice(0, 120),
      created_at: now,
      expires_at: expiresAt,
    });
    return { token, expiresAt };
  });
}

async function countTry(email: string): Promise<void> {
  try {
    await tries.consume(email);
  } catch (limit) {
    if (limit instanceof RateLimiterRes) throw new AppError('tooManyTries', { minutes: Math.ceil(limit.msBeforeNext / 60_000) });
    throw limit;
  }
}
