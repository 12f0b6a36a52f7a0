import { createHash, randomBytes } from 'node:crypto';

/** 192 random bits for a link or a sign-in; only their hash is ever stored. */
export function newToken(): string {
  return randomBytes(24).toString('base64url');
}

export function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

export const TOKEN_FORM = /^[A-Za-z0-9_-]{32}$/;
