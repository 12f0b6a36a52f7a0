import { z } from 'zod';
import { MILLISECONDS_PER_MINUTE, instant, instantAfterDays } from '@/core/calendar';
import {
  addApiKey,
  apiKeyByHash,
  countTryOf,
  inReading,
  inTransaction,
  openApiKeys,
  revokeApiKey,
  touchApiKey,
  type ApiKey,
  type Work,
} from '@/db';
import { columnsByKey, OPEN_TABLES, pageOptionsSchema, writeOpenApi, type OpenRow, type OpenTableName } from '@/formats';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordAboutPerson, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { requireConfirmed } from '../accounts/sessions';
import { hashOf, newToken } from '../secrets';
import { openPage } from './openRows';

const makeSchema = z.object({
  name: z.string().trim().min(1, 'nameShort').max(80, 'tooMuch'),
  days: z.coerce.number().int().min(1, 'keyDays').max(366, 'keyDays'),
});

/** A key for a district's own program. It is told once: only its hash is kept. @throws AppError notAllowed, confirmNeeded, invalid */
export async function makeApiKey(context: Context, actor: PersonActor, raw: unknown): Promise<{ key: string }> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  const { name, days } = parseInput(makeSchema, raw);
  const key = newToken();
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await addApiKey(work, { name, keyHash: hashOf(key), by: actor.personId, at: now, expiresAt: instantAfterDays(now, days) });
    await recordChanges(work, now, [entryOf(actor, now, [], 'key.made', { days })]);
  });
  return { key };
}

/** @throws AppError notAllowed, confirmNeeded, notFound where it was taken back before */
export async function cancelApiKey(context: Context, actor: PersonActor, id: number): Promise<void> {
  requireMay(actor, 'changeTrust');
  requireConfirmed(context, actor);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    if (!(await revokeApiKey(work, id, now))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [], 'key.takenBack', { key: id })]);
  });
}

/** The keys that open something now; null for who may not make any. */
export async function apiKeysFor(work: Work, context: Context, isAllowed: boolean): Promise<readonly ApiKey[] | null> {
  return isAllowed ? openApiKeys(work, context.now()) : null;
}

const A_MINUTE_AT_MOST = 60;

export interface KeyPage {
  readonly table: OpenTableName;
  readonly rows: readonly OpenRow[];
  readonly next: number | null;
}

/**
 * A page of a table by key: of every child, without what names anybody or is in somebody's own words. Each page is written down.
 * @param key as it was given; null where none was
 * @throws AppError notFound where no key opens anything, or there is no such table; keyUnknown, tooManyTries, invalid
 */
export async function readByKey(context: Context, key: string | null, table: string, raw: unknown): Promise<KeyPage> {
  const name = await inTransaction(context.db, (work) => admit(work, context, key, table));
  const options = parseInput(pageOptionsSchema, raw);
  const { rows, next } = await inReading(context.db, (work) => openPage(work, name, { childIds: null, ...options }));
  const columns = columnsByKey(OPEN_TABLES[name]);
  return { table: name, rows: rows.map((row) => Object.fromEntries(columns.map((column) => [column.key, row[column.key] ?? null]))), next };
}

/** Counts and writes down what is asked by a key that is known, whatever becomes of it. */
async function admit(work: Work, context: Context, key: string | null, table: string): Promise<OpenTableName> {
  const now = context.now();
  const known = key === null ? null : await apiKeyByHash(work, hashOf(key), now);
  if (!known) throw new AppError((await openApiKeys(work, now)).length === 0 ? 'notFound' : 'keyUnknown');
  if (!Object.hasOwn(OPEN_TABLES, table)) throw new AppError('notFound');
  const { tries, endsAt } = await countTryOf(work, `api:${known.id}`, now, MILLISECONDS_PER_MINUTE);
  if (tries > A_MINUTE_AT_MOST)
    throw new AppError('tooManyTries', { minutes: Math.max(1, Math.ceil((endsAt - now) / MILLISECONDS_PER_MINUTE)) });
  if (known.usedAt === null || known.usedAt < instant(now - MILLISECONDS_PER_MINUTE)) await touchApiKey(work, known.id, now);
  await recordAboutPerson(work, now, null, 'data.readByKey', { key: known.id, table });
  return table as OpenTableName;
}

/** Returns the OpenAPI document of the tables that a key can read. @throws AppError as readByKey */
export async function openApiByKey(context: Context, key: string | null): Promise<Record<string, unknown>> {
  await inTransaction(context.db, (work) => admit(work, context, key, 'reports'));
  return writeOpenApi(context.origin);
}
