import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { inTransaction, migrationNames, MIGRATIONS, migrator, openDatabase } from '@/db';
import { dumpAddressOf } from '@/main/contextFrom';
import { BrokenBackup, knownBackupKey, makeBackup, restoreBackup, UNVERIFIED } from '@/outside/backup';
import { runningUrl, startMariaDb } from '../mariadb';
import { isAlive } from '../processes';
import { say } from '../say';
import { DATA_FOLDER } from '../dataFolder';
import { ensureSystemPackages } from '../systemPackages';
import { settingsOf, wordAfter } from './serve';

interface Place {
  readonly dataFolder: string;
  readonly databaseUrl: string;
  readonly close: () => Promise<void>;
}

/** Everything into one file, while all goes on. `backup FILE [--config FILE | --data FOLDER] [--passphrase-file FILE]` */
export async function backup(words: readonly string[]): Promise<number> {
  const file = fileOf(words, 'backup');
  const { dataFolder, databaseUrl, close } = await placeOf(words);
  try {
    const db = openDatabase(databaseUrl, { max: 1 });
    const migrations = await inTransaction(db, migrationNames).finally(() => db.close());
    const { bytes } = await makeBackup({
      file,
      database: dumpAddressOf(databaseUrl),
      dataFolder,
      migrations,
      passphrase: passphraseOf(words),
      writtenAt: new Date().toISOString(),
      onProgress: (what) => say(`Writing ${what}…`),
    });
    say(
      `${file}: ${(bytes / 1_000_000).toFixed(1)} MB. ${passphraseOf(words) === null ? `It is not encrypted: keep it where no one else can read it. To restore it on another machine, keep a copy of ${path.join(dataFolder, 'backup-key')} in another place.` : 'It is encrypted: no one can read it without the passphrase.'}`,
    );
    return 0;
  } finally {
    await close();
  }
}

/** A backup into an empty database and its data folder. `restore FILE [--config FILE | --data FOLDER] [--passphrase-file FILE | --key-file FILE | --unverified]` */
export async function restore(words: readonly string[]): Promise<number> {
  const file = fileOf(words, 'restore');
  const { dataFolder, databaseUrl, close } = await placeOf(words);
  try {
    const pidFile = path.join(dataFolder, 'yard.pid');
    if (existsSync(pidFile) && isAlive(Number(readFileSync(pidFile, 'utf8'))))
      throw new Error('Yard Steps is using this data folder. Stop it first. A backup is restored into an empty database.');
    const { writtenAt } = await restoreBackup({
      file,
      database: dumpAddressOf(databaseUrl),
      dataFolder,
      knownMigrations: MIGRATIONS.map(({ name }) => name),
      passphrase: passphraseOf(words),
      key: words.includes('--unverified') ? UNVERIFIED : (secretOf(words, '--key-file') ?? knownBackupKey(dataFolder)),
      replay: replayOf(words),
      onProgress: (what) => say(`Restoring: ${what}…`),
    }).catch((error: unknown) => {
      throw error instanceof BrokenBackup ? new Error(BROKEN[error.code]) : error;
    });
    const db = openDatabase(databaseUrl, { max: 1 });
    await migrator(db)
      .up()
      .finally(() => db.close());
    say(`Restored as it stood at ${writtenAt}. Links that were open then open again.`);
    return 0;
  } finally {
    await close();
  }
}

const BROKEN: Record<BrokenBackup['code'], string> = {
  noBackup: 'This file is not a Yard Steps backup. Nothing was changed.',
  passphraseNeeded: 'This backup is encrypted. Name the file of its passphrase: --passphrase-file FILE. Nothing was changed.',
  brokenOrOtherPassphrase: 'This backup can’t be read: the passphrase is another one, or the file is damaged. Nothing was changed.',
  keyNeeded:
    'This backup is not encrypted, so a key is needed to prove that no one changed it. Name a copy of its backup-key: --key-file FILE. If the key is lost, and no one else could write to the file, use --unverified. Nothing was changed.',
  brokenOrOtherKey:
    'This backup was made by another installation, was changed, or is damaged. Name the backup-key of the installation that made it: --key-file FILE. Nothing was changed.',
  broken: 'This backup is damaged: what it holds is not what was written. Take another one. Nothing was changed.',
};

function fileOf([file]: readonly string[], command: string): string {
  if (!file || file.startsWith('--')) throw new Error(`Write ./yard ${command} FILE.`);
  return path.resolve(file);
}

/** `--replay FOLDER [--until "2026-11-26 14:30:00"]`, in UTC. */
function replayOf(words: readonly string[]): { folder: string; until: string | null } | null {
  const [folder, until] = [wordAfter(words, '--replay'), wordAfter(words, '--until')];
  if (until !== null && !/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d$/.test(until)) throw new Error('Write --until as "2026-11-26 14:30:00", in UTC.');
  if (folder === null && until !== null) throw new Error('Write --until together with --replay FOLDER.');
  return folder === null ? null : { folder, until };
}

const passphraseOf = (words: readonly string[]) => secretOf(words, '--passphrase-file');

function secretOf(words: readonly string[], name: string): string | null {
  const file = wordAfter(words, name);
  if (file === null) return null;
  const secret = readFileSync(file, 'utf8').trim();
  if (secret === '') throw new Error(`${file} is empty: write the secret into it.`);
  return secret;
}

/** The data folder and its database: the one that is being served, the one that the settings name, or its own, started for this. */
export async function placeOf(words: readonly string[]): Promise<Place> {
  // Beside a demo that runs, and with no other place named, the demo is meant: its server goes on.
  const isDemo = !words.includes('--data') && !words.includes('--config') && runningUrl(path.join(DATA_FOLDER, 'mariadb')) !== null;
  const folder = isDemo ? DATA_FOLDER : wordAfter(words, '--data');
  const settings = folder === null ? settingsOf(words) : null;
  const dataFolder = path.resolve(folder ?? settings!.dataFolder);
  const known = settings?.databaseOwner ?? settings?.database ?? runningUrl(path.join(dataFolder, 'mariadb'));
  ensureSystemPackages({ database: known === null, browser: false });
  if (known) return { dataFolder, databaseUrl: known, close: async () => {} };
  const server = await startMariaDb(path.join(dataFolder, 'mariadb'));
  return { dataFolder, databaseUrl: server.url(), close: () => server.stop() };
}
