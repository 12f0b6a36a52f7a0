import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

export interface ApiKey {
  readonly id: number;
  readonly name: string;
  readonly madeBy: string;
  readonly madeAt: Instant;
  readonly expiresAt: Instant;
  readonly usedAt: Instant | null;
}

/** The keys that open something now. */
export async function openApiKeys(work: Work, now: Instant): Promise<ApiKey[]> {
  return tablesOf(work).select(
    `SELECT k.id, k.name, p.name AS madeBy, k.made_at AS madeAt, k.expires_at AS expiresAt, k.used_at AS usedAt
     FROM api_keys k JOIN people p ON p.id = k.made_by WHERE k.revoked_at IS NULL AND k.expires_at > :now ORDER BY k.id`,
    { now: momentText(now) },
  );
}

export async function apiKeyByHash(
  work: Work,
  keyHash: string,
  now: Instant,
): Promise<{ readonly id: number; readonly usedAt: Instant | null } | null> {
  const [row] = await tablesOf(work).select<{ id: number; usedAt: Instant | null }>(
    'SELECT id, used_at AS usedAt FROM api_keys WHERE key_hash = :keyHash AND revoked_at IS NULL AND expires_at > :now',
    { keyHash, now: momentText(now) },
  );
  return row ?? null;
}

export async function addApiKey(
  work: Work,
  { name, keyHash, by, at, expiresAt }: { name: string; keyHash: string; by: number; at: Instant; expiresAt: Instant },
): Promise<void> {
  await tablesOf(work).insert('api_keys', { name, key_hash: keyHash, made_by: by, made_at: at, expires_at: expiresAt });
}

export async function touchApiKey(work: Work, id: number, at: Instant): Promise<void> {
  await tablesOf(work).update('api_keys', { used_at: at }, { id });
}

/** False where it was taken back before, or there is none. */
export async function revokeApiKey(work: Work, id: number, at: Instant): Promise<boolean> {
  return (await tablesOf(work).update('api_keys', { revoked_at: at }, { id, revoked_at: null })) > 0;
}
