import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';

const ALGORITHM = 'aes-256-gcm';
const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/**
 * Seals what the database may keep but not know, by a key of the data folder's secret (HKDF-SHA-256, AES-256-GCM).
 * @param purpose what it is for: what was sealed for one thing opens for no other
 */
export function seal(secret: string, purpose: string, plain: string): string {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv(ALGORITHM, keyOf(secret, purpose), nonce);
  const body = Buffer.concat([cipher.update(plain, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), body]).toString('base64url');
}

/** @throws Error where it was sealed by another secret, for another purpose, or changed */
export function unseal(secret: string, purpose: string, sealed: string): string {
  const bytes = Buffer.from(sealed, 'base64url');
  const decipher = createDecipheriv(ALGORITHM, keyOf(secret, purpose), bytes.subarray(0, NONCE_BYTES), { authTagLength: TAG_BYTES });
  decipher.setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
  return Buffer.concat([decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES)), decipher.final()]).toString('utf8');
}

function keyOf(secret: string, purpose: string): Buffer {
  return Buffer.from(hkdfSync('sha256', secret, '', `yard-steps ${purpose}`, 32));
}
