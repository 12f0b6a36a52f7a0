import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { cp, mkdir, mkdtemp, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { z } from 'zod';
import { logAfter, playOn, type ReplayOptions } from './replay';
import { backupKeyIn } from './backupKey';
import { BrokenBackup, filesIn, readContainer, writeContainer, type Secrets } from './container';
import { start, type DumpAddress } from './client';

export interface BackupOptions {
  readonly file: string;
  readonly database: DumpAddress;
  /** Data folder whose secret and media are included. */
  readonly dataFolder: string;
  /** The steps that the schema has gone, in their order. */
  readonly migrations: readonly string[];
  readonly passphrase: string | null;
  readonly writtenAt: string;
  /** Told what is being done. */
  readonly onProgress: (says: string) => void;
}

/** Parts of a data folder that cannot be rebuilt: the secret of links, and files outside of the database. */
const KEPT = ['link-secret', 'pretend-phone', 'media'] as const;
const FORMAT = 1;

const manifestSchema = z.object({
  format: z.literal(FORMAT),
  writtenAt: z.string(),
  migrations: z.array(z.string()),
  files: z.record(z.string(), z.object({ bytes: z.number(), sha256: z.string() })),
});
type Manifest = z.infer<typeof manifestSchema>;

const LEFTOVER = '.backup-';

/** Takes away what a broken-off backup left in plain text. */
async function sweep(dataFolder: string): Promise<void> {
  await mkdir(dataFolder, { recursive: true, mode: 0o700 });
  for (const name of await readdir(dataFolder))
    if (name.startsWith(LEFTOVER)) await rm(path.join(dataFolder, name), { recursive: true, force: true });
}

/** Writes everything into one file while all goes on: the database as it stood at one moment. @throws Error where a file of that name is there */
export async function makeBackup(options: BackupOptions): Promise<{ bytes: number }> {
  const { file, dataFolder, onProgress } = options;
  if (existsSync(file)) throw new Error(`${file} is there already. Choose another name, or move it away.`);
  await mkdir(path.dirname(file), { recursive: true });
  // Plain text stays in the data folder, which is private; what an earlier one left when it was broken off goes first.
  await sweep(dataFolder);
  const folder = await mkdtemp(path.join(dataFolder, LEFTOVER));
  try {
    onProgress('the database');
    await dump(options.database, path.join(folder, 'database.sql'));
    onProgress('the secret of links, and media');
    for (const name of KEPT) {
      const from = path.join(dataFolder, name);
      if (existsSync(from)) await cp(from, path.join(folder, 'data', name), { recursive: true });
    }
    onProgress('checksums');
    const manifest: Manifest = {
      format: FORMAT,
      writtenAt: options.writtenAt,
      migrations: [...options.migrations],
      files: await sumsOf(folder),
    };
    await writeFile(path.join(folder, 'manifest.json'), JSON.stringify(manifest, null, 1), { mode: 0o600 });
    onProgress(options.passphrase === null ? 'one file' : 'one encrypted file');
    await writeContainer(file, folder, { passphrase: options.passphrase, key: backupKeyIn(dataFolder) });
    return { bytes: (await stat(file)).size };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

export interface RestoreOptions extends Omit<BackupOptions, 'writtenAt' | 'migrations'> {
  /** Binary log to replay after the backup; null to end with the backup. */
  readonly replay?: ReplayOptions | null;
  /** Key that tells an unencrypted file from a forged one. */
  readonly key: Secrets['key'];
  /** Every step that this program knows: a backup that has gone further is of a newer one. */
  readonly knownMigrations: readonly string[];
}

/**
 * Puts a backup into an empty database and its data folder. What is wrong is told before anything is changed; a database that could not
 * be filled is emptied again.
 * @throws BrokenBackup, Error that says what stands in the way
 */
export async function restoreBackup(options: RestoreOptions): Promise<{ writtenAt: string }> {
  const { file, database, dataFolder, onProgress } = options;
  if (!existsSync(file)) throw new Error(`There is no ${file}.`);
  await mkdir(dataFolder, { recursive: true, mode: 0o700 });
  const folder = await mkdtemp(path.join(dataFolder, '.restore-'));
  try {
    onProgress('looking at the file');
    await readContainer(file, folder, options);
    const manifest = await checkedManifest(folder);
    refuseNewer(manifest, options.knownMigrations);
    if ((await ask(database, 'SHOW TABLES')).trim() !== '')
      throw new Error('The database is not empty. A backup goes into an empty one, so that nothing is written over.');
    onProgress('the database');
    const log = options.replay ? await logAfter(path.join(folder, 'database.sql'), options.replay) : null;
    await load(database, path.join(folder, 'database.sql'));
    if (log) {
      onProgress('what was written after it');
      await playOn(database, log);
    }
    onProgress('the secret of links, and media');
    for (const name of KEPT) await putBack(path.join(folder, 'data', name), path.join(dataFolder, name), manifest.writtenAt);
    return { writtenAt: manifest.writtenAt };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function checkedManifest(folder: string): Promise<Manifest> {
  const read = manifestSchema.safeParse(JSON.parse(await readFile(path.join(folder, 'manifest.json'), 'utf8').catch(() => 'null')));
  if (!read.success) throw new BrokenBackup('broken');
  const { 'manifest.json': _own, ...found } = await sumsOf(folder);
  if (JSON.stringify(sorted(found)) !== JSON.stringify(sorted(read.data.files))) throw new BrokenBackup('broken');
  return read.data;
}

const sorted = (files: Manifest['files']) => Object.entries(files).sort(([a], [b]) => a.localeCompare(b));

function refuseNewer({ migrations }: Manifest, known: readonly string[]): void {
  const strange = migrations.find((name, index) => known[index] !== name);
  if (strange)
    throw new Error(
      `This backup is of another version of Yard Steps (its schema has ${strange}). Restore it with that version, or a newer one.`,
    );
}

/** Earlier files are kept beside it, under the moment of the backup. */
async function putBack(from: string, to: string, writtenAt: string): Promise<void> {
  if (!existsSync(from)) return;
  if (existsSync(to)) await rename(to, `${to}.before-${writtenAt.replace(/\D/g, '')}`);
  await cp(from, to, { recursive: true });
}

async function sumsOf(folder: string): Promise<Manifest['files']> {
  const sums: Manifest['files'] = {};
  for (const name of await filesIn(folder)) {
    const sum = createHash('sha256');
    await pipeline(createReadStream(path.join(folder, name)), sum);
    sums[name] = { bytes: (await stat(path.join(folder, name))).size, sha256: sum.digest('hex') };
  }
  return sums;
}

const DUMP = ['--single-transaction', '--skip-lock-tables', '--no-tablespaces', '--hex-blob', '--default-character-set=utf8mb4'];

/** Whether a server keeps a binary log and may tell: the dump then names its position. */
const TELLS_OF_LOG =
  "SELECT @@log_bin = 1 AND EXISTS (SELECT 1 FROM information_schema.user_privileges WHERE privilege_type = 'BINLOG MONITOR')";

async function dump(database: DumpAddress, file: string): Promise<void> {
  const hasLog = (await ask(database, TELLS_OF_LOG)).trim() === '1';
  const client = start('mariadb-dump', database, [...DUMP, ...(hasLog ? ['--master-data=2'] : []), database.database]);
  await Promise.all([pipeline(client.process.stdout, createWriteStream(file, { mode: 0o600 })), client.ended]);
}

async function load(database: DumpAddress, file: string): Promise<void> {
  // In its sandbox the client runs no commands of the machine, whatever a forged file asks for.
  const client = start('mariadb', database, ['--default-character-set=utf8mb4', '--sandbox', database.database]);
  try {
    await Promise.all([pipeline(createReadStream(file), client.process.stdin), client.ended]);
  } catch (error) {
    await empty(database);
    throw error;
  }
}

async function empty(database: DumpAddress): Promise<void> {
  const tables = (await ask(database, 'SHOW TABLES')).trim().split('\n').filter(Boolean);
  if (tables.length) await ask(database, `SET FOREIGN_KEY_CHECKS = 0; DROP TABLE ${tables.map((name) => `\`${name}\``).join(', ')}`);
}

async function ask(database: DumpAddress, sql: string): Promise<string> {
  const client = start('mariadb', database, ['--batch', '--skip-column-names', '-e', sql, database.database]);
  let text = '';
  client.process.stdout.on('data', (part: Buffer) => (text += part.toString('utf8')));
  await client.ended;
  return text;
}
