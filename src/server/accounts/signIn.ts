import { hash, verify } from '@node-rs/argon2';
import { z } from 'zod';
import { instantAfterDays } from '@/core/calendar';
import { normalEmail } from '@/core/text';
import {
  addSignIn,
  inTransaction,
  isKnownDevice,
  keepDevice,
  personByEmail,
  revokeOldestSignIns,
  workplaceOf,
  type Person,
  type Work,
} from '@/db';
import { recordAboutPerson } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { hashOf, newToken, TOKEN_FORM } from '../secrets';
import { countFrom, countTry, clearTriesAt, uncountFrom, type TriesOf } from './rateLimit';

const MOST_DEVICE_LETTERS = 120;
/** The oldest is ended where another one begins. Our own choice. */
const MOST_OPEN_SESSIONS = 8;

const inputSchema = z.object({
  email: z.string().max(1_000),
  password: z.string().min(1).max(200),
  device: z
    .string()
    .default('')
    .transform((device) => device.slice(0, MOST_DEVICE_LETTERS)),
  /** Client address, as far as the web server knows it. */
  address: z.string().max(45).default(''),
  /** Token of a browser in which somebody signed in before. */
  deviceToken: z.string().optional(),
});

/** argon2id, as OWASP's password storage sheet asks: 19 MiB, two passes (value from memory). */
const ARGON2 = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** The hash that a made-up address is checked against, so that it takes as long as a real one. */
let nobodysHash: string | null = null;

export async function hashPassword(password: string): Promise<string> {
  return hash(password, ARGON2);
}

export interface OpenedSession {
  readonly token: string;
  readonly lastsSeconds: number;
  /** The token that this browser keeps from now on. */
  readonly deviceToken: string;
  /** True where the session opens nothing before the second factor is given, or set up. */
  readonly needsFactor: boolean;
}

/**
 * Opens a session. The database keeps hashes of its tokens alone.
 * @throws AppError signInFailed, tooManyTries
 */
export async function signIn(context: Context, raw: unknown): Promise<OpenedSession> {
  const input = inputSchema.safeParse(raw);
  if (!input.success) throw new AppError('signInFailed');
  const { password, address } = input.data;
  const email = normalEmail(input.data.email);
  const deviceToken = TOKEN_FORM.test(input.data.deviceToken ?? '') ? input.data.deviceToken! : newToken();
  const { person, isKnown } = await inTransaction(context.db, async (work) => {
    const found = email === null ? null : await personByEmail(work, email);
    return { person: found, isKnown: found !== null && (await isKnownDevice(work, found.id, hashOf(deviceToken))) };
  });
  const of: TriesOf = person
    ? { personId: person.id, deviceHash: isKnown ? hashOf(deviceToken) : null }
    : { email: email ?? input.data.email };
  await countFrom(context, address, isKnown);
  const { isLast } = await countTry(context, of);
  // Checking takes a tenth of a second: no connection is held meanwhile.
  nobodysHash ??= await hashPassword(newToken());
  const isRight = await verify(person?.passwordHash ?? nobodysHash, password);
  if (!person || !isRight || person.closedAt !== null) {
    await inTransaction(context.db, (work) =>
      recordAboutPerson(work, context.now(), person?.id ?? null, isLast ? 'signIn.locked' : 'signIn.failed', { from: placeIn(address) }),
    );
    throw new AppError('signInFailed');
  }
  return inTransaction(context.db, (work) => open(work, context, person, of, { ...input.data, deviceToken, isKnown }));
}

const placeIn = (address: string) => address || 'an unknown place';

async function open(
  work: Work,
  context: Context,
  person: Person,
  of: TriesOf,
  { device, address, deviceToken, isKnown }: { device: string; address: string; deviceToken: string; isKnown: boolean },
): Promise<OpenedSession> {
  const token = newToken();
  const createdAt = context.now();
  const { signInDays, factorRequired } = await workplaceOf(work);
  const expiresAt = instantAfterDays(createdAt, signInDays);
  const needsFactor = person.factorAt !== null || factorRequired || context.house.factorRequired;
  await clearTriesAt(work, of);
  await uncountFrom(work, address, isKnown, createdAt);
  await addSignIn(work, { personId: person.id, tokenHash: hashOf(token), device, address, createdAt, expiresAt, needsFactor });
  await revokeOldestSignIns(work, person.id, MOST_OPEN_SESSIONS, createdAt);
  await keepDevice(work, person.id, hashOf(deviceToken), createdAt);
  await recordAboutPerson(work, createdAt, person.id, 'signIn.opened', { from: placeIn(address) });
  return { token, lastsSeconds: Math.floor((expiresAt - createdAt) / 1000), deviceToken, needsFactor };
}
