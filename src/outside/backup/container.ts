import { createCipheriv, createDecipheriv, createHmac, randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { extract, pack } from 'tar-stream';

/** First bytes of a backup's file: this format and no other. */
const MAGIC = Buffer.from('YARD-STEPS-BACKUP1', 'ascii');
const PLAIN = 'P'.charCodeAt(0);
const ENCRYPTED = 'E'.charCodeAt(0);
const SALT_BYTES = 16;
const IV_BYTES = 12;
const TAG_BYTES = 16;
const SHA_BYTES = 32;
const KEY_BYTES = 32;
/** scrypt as OWASP's password storage sheet asks: N = 2^17, r = 8, p = 1 (values from memory). */
const SCRYPT = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
const SAFE_NAME = /^[A-Za-z0-9][A-Za-z0-9._-]*(\/[A-Za-z0-9][A-Za-z0-9._-]*)*$/;

/** Why a backup's file is not taken; what it holds was touched nowhere. */
export class BrokenBackup extends Error {
  constructor(readonly code: 'noBackup' | 'passphraseNeeded' | 'brokenOrOtherPassphrase' | 'keyNeeded' | 'brokenOrOtherKey' | 'broken') {
    super(code);
    this.name = 'BrokenBackup';
  }
}

/** For a backup whose key is lost, from a place that nobody else can write to: it is checked for damage, not for who wrote it. */
export const UNVERIFIED = Symbol('unverified');

export interface Secrets {
  /** Encrypts; null where the file is not encrypted. */
  readonly passphrase: string | null;
  /** Tells a file of this installation from one that somebody else wrote; null where nobody knows it. */
  readonly key: string | typeof UNVERIFIED | null;
}

const keyOf = (passphrase: string, salt: Buffer) => scryptSync(passphrase.normalize('NFC'), salt, KEY_BYTES, SCRYPT);

/**
 * Packs a folder into one file: a compressed tar, and behind it HMAC-SHA-256 by the installation's key or, with a passphrase, AES-256-GCM's
 * tag. The file is there whole or not at all.
 */
export async function writeContainer(file: string, folder: string, { passphrase, key }: Secrets & { key: string }): Promise<void> {
  const salt = randomBytes(SALT_BYTES);
  const iv = randomBytes(IV_BYTES);
  const cipher = passphrase === null ? null : createCipheriv('aes-256-gcm', keyOf(passphrase, salt), iv);
  const sum = createHmac('sha256', key);
  const seal = async function* (source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
    yield Buffer.concat([MAGIC, Buffer.from([cipher ? ENCRYPTED : PLAIN]), ...(cipher ? [salt, iv] : [])]);
    for await (const chunk of source) {
      if (!cipher) sum.update(chunk);
      yield cipher ? cipher.update(chunk) : chunk;
    }
    yield cipher ? Buffer.concat([cipher.final(), cipher.getAuthTag()]) : sum.digest();
  };
  const draft = `${file}.partial`;
  const tar = pack();
  try {
    await Promise.all([packInto(tar, folder), pipeline(tar, createGzip(), seal, createWriteStream(draft, { mode: 0o600 }))]);
    await syncToDisk(draft);
    await rename(draft, file);
  } finally {
    await rm(draft, { force: true });
  }
}

async function packInto(tar: ReturnType<typeof pack>, folder: string): Promise<void> {
  for (const name of await filesIn(folder)) {
    const place = path.join(folder, name);
    const entry = tar.entry({ name, size: (await stat(place)).size, mode: 0o600 });
    await pipeline(createReadStream(place), entry);
  }
  tar.finalize();
}

/** Every file below a folder, the manifest first. */
export async function filesIn(folder: string): Promise<string[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const names = entries.filter((entry) => entry.isFile()).map((entry) => path.relative(folder, path.join(entry.parentPath, entry.name)));
  return names.sort((a, b) => Number(b === 'manifest.json') - Number(a === 'manifest.json') || a.localeCompare(b));
}

async function syncToDisk(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  await handle.sync().finally(() => handle.close());
}

/**
 * Unpacks a file into an empty folder. Nothing of it may be trusted before this has ended well.
 * @throws BrokenBackup
 */
export async function readContainer(file: string, folder: string, { passphrase, key }: Secrets): Promise<void> {
  const { size } = await stat(file);
  const handle = await open(file, 'r');
  const head = Buffer.alloc(MAGIC.length + 1 + SALT_BYTES + IV_BYTES);
  const tail = Buffer.alloc(SHA_BYTES);
  await handle.read(head, 0, head.length, 0);
  const isEncrypted = head[MAGIC.length] === ENCRYPTED;
  const tailBytes = isEncrypted ? TAG_BYTES : SHA_BYTES;
  const start = MAGIC.length + 1 + (isEncrypted ? SALT_BYTES + IV_BYTES : 0);
  await handle.read(tail, 0, tailBytes, Math.max(0, size - tailBytes));
  await handle.close();
  if (!head.subarray(0, MAGIC.length).equals(MAGIC) || size <= start + tailBytes) throw new BrokenBackup('noBackup');
  if (isEncrypted && passphrase === null) throw new BrokenBackup('passphraseNeeded');
  if (!isEncrypted && key === null) throw new BrokenBackup('keyNeeded');
  const salt = head.subarray(MAGIC.length + 1, MAGIC.length + 1 + SALT_BYTES);
  const decipher = isEncrypted
    ? createDecipheriv('aes-256-gcm', keyOf(passphrase!, salt), head.subarray(MAGIC.length + 1 + SALT_BYTES))
    : null;
  decipher?.setAuthTag(tail.subarray(0, TAG_BYTES));
  const isUnverified = key === UNVERIFIED;
  const sum = createHmac('sha256', isUnverified ? '' : (key ?? ''));
  const unseal = async function* (source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
    for await (const chunk of source) {
      if (!decipher) sum.update(chunk);
      yield decipher ? decipher.update(chunk) : chunk;
    }
    if (decipher) yield decipher.final();
    else if (!isUnverified && !timingSafeEqual(sum.digest(), tail)) throw new BrokenBackup('brokenOrOtherKey');
  };
  try {
    await pipeline(createReadStream(file, { start, end: size - tailBytes - 1 }), unseal, createGunzip(), unpackInto(folder));
  } catch (error) {
    if (error instanceof BrokenBackup) throw error;
    throw new BrokenBackup(isEncrypted ? 'brokenOrOtherPassphrase' : 'brokenOrOtherKey');
  }
}

function unpackInto(folder: string): ReturnType<typeof extract> {
  const tar = extract();
  tar.on('entry', (header, stream, next) => {
    if (header.type !== 'file' || !SAFE_NAME.test(header.name)) return next(new BrokenBackup('broken'));
    const place = path.join(folder, header.name);
    mkdir(path.dirname(place), { recursive: true, mode: 0o700 })
      .then(() => pipeline(stream, createWriteStream(place, { mode: 0o600, flags: 'wx' })))
      .then(() => next(), next);
  });
  return tar;
}
