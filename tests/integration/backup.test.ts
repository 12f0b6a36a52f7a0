import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { addJobs, inTransaction, migrationNames, MIGRATIONS, openDatabase } from '@/db';
import { dumpAddressOf } from '@/main/contextFrom';
import { DailyBackups, knownBackupKey, makeBackup, restoreBackup, UNVERIFIED, type Secrets } from '@/outside/backup';
import { writeContainer } from '@/outside/backup/container';
import type { PersonActor } from '@/server/actor';
import { backupJob } from '@/server/jobs/jobs';
import { runDue } from '@/server/jobs/runDue';
import { viewFamily } from '@/server/reports/viewFamily';
import { rowsOf } from '../../scripts/sql';
import { newDatabaseUrl, newTestBed, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let folder: string;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  folder = mkdtempSync(path.join(tmpdir(), 'yard-backup-'));
  mkdirSync(path.join(folder, 'data'));
  writeFileSync(path.join(folder, 'data', 'link-secret'), 'a secret of the tests');
});
afterEach(async () => {
  await bed.close();
  rmSync(folder, { recursive: true, force: true });
});

const known = MIGRATIONS.map(({ name }) => name);
const at = (name: string) => path.join(folder, name);
const make = async (file: string, passphrase: string | null = null) =>
  makeBackup({
    file: at(file),
    database: dumpAddressOf(bed.databaseUrl),
    dataFolder: at('data'),
    migrations: await inTransaction(bed.db, migrationNames),
    passphrase,
    writtenAt: '2026-11-26T12:00:00.000Z',
    onProgress: () => {},
  });
const restore = (
  file: string,
  url: string,
  change: { passphrase?: string; key?: Secrets['key']; knownMigrations?: readonly string[] } = {},
) =>
  restoreBackup({
    file: at(file),
    database: dumpAddressOf(url),
    dataFolder: at('restored'),
    knownMigrations: change.knownMigrations ?? known,
    passphrase: change.passphrase ?? null,
    key: change.key === undefined ? knownBackupKey(at('data')) : change.key,
    onProgress: () => {},
  });
const refusalOf = (job: Promise<unknown>) =>
  job.then(
    () => 'not refused',
    (error: Error) => error.message,
  );

/** Every row of every table, in one order. */
async function rowsIn(url: string): Promise<Record<string, unknown[]>> {
  const db = openDatabase(url, { max: 1 });
  try {
    const tables = await rowsOf<{ name: string }>(
      db,
      'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() ORDER BY 1',
    );
    const all: Record<string, unknown[]> = {};
    for (const { name } of tables) all[name] = (await rowsOf(db, `SELECT * FROM ${name}`)).map((row) => JSON.stringify(row)).sort();
    return all;
  } finally {
    await db.close();
  }
}

describe('a backup', () => {
  it('that is made under load comes back into an empty database as it stood at one moment: rows, links, frozen programs', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    const token = await bed.newestToken(childId);
    await bed.report(childId, { words: 'Zoë said “más” 🧱' });
    const before = await rowsIn(bed.databaseUrl);
    const [children, family] = [before.children!.length, await viewFamily(bed.context, token)];
    let isMaking = true;
    let added = 0;
    const load = (async () => {
      while (isMaking) {
        await bed.child(ines, { calledName: `Load ${(added += 1)}` });
        await bed.report(childId, { words: `under way ${added}` });
      }
    })();
    await make('one.backup', 'a plank and a peg').finally(() => (isMaking = false));
    await load;
    expect(added).toBeGreaterThan(0);

    const url = await newDatabaseUrl();
    await restore('one.backup', url, { passphrase: 'a plank and a peg' });
    const after = await rowsIn(url);
    // One moment: no child without the access that is written in its transaction, and what stood before stands whole.
    expect(after.children!.length).toBe(after.child_access!.length);
    expect(after.children!.length).toBeGreaterThanOrEqual(children);
    for (const table of ['people', 'task_versions', 'program_versions', 'version_tasks', 'schools'])
      expect(after[table]).toEqual(before[table]);
    const db = openDatabase(url);
    const restored = await viewFamily(
      { ...bed.context, db, looks: { note: async () => {}, noteSometimes: async () => {} } as never },
      token,
    ).finally(() => db.close());
    expect(restored.version).toEqual(family.version);
    expect(readFileSync(at('restored/link-secret'), 'utf8')).toBe('a secret of the tests');
  });

  it('of a quiet database comes back row by row', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    await bed.report(childId);
    await make('quiet.backup');
    const url = await newDatabaseUrl();
    await restore('quiet.backup', url);
    expect(await rowsIn(url)).toEqual(await rowsIn(bed.databaseUrl));
  });

  it.each([
    ['cut off', (bytes: Buffer) => bytes.subarray(0, bytes.length - 100)],
    ['with a bit turned in the middle', (bytes: Buffer) => (bytes.writeUInt8(bytes[bytes.length >> 1]! ^ 1, bytes.length >> 1), bytes)],
    ['with another sum', (bytes: Buffer) => (bytes.writeUInt8(bytes.at(-1)! ^ 1, bytes.length - 1), bytes)],
    ['that is none', () => Buffer.from('PK something else altogether, of some length')],
    ['that is empty', () => Buffer.alloc(0)],
  ])('%s is refused, encrypted or not, and changes nothing', async (_what, spoil) => {
    for (const passphrase of [null, 'a plank and a peg']) {
      const name = `spoilt-${passphrase === null}.backup`;
      await make(name, passphrase);
      writeFileSync(at(name), spoil(readFileSync(at(name))));
      const url = await newDatabaseUrl();
      expect(await refusalOf(restore(name, url, passphrase === null ? {} : { passphrase }))).toMatch(
        /^(noBackup|brokenOrOtherKey|brokenOrOtherPassphrase)$/,
      );
      expect(await rowsIn(url)).toEqual({});
      expect(readdirSync(at('restored'))).toEqual([]);
    }
  });

  it('is opened by its own passphrase alone', async () => {
    await make('locked.backup', 'a plank and a peg');
    expect(readFileSync(at('locked.backup')).includes('CREATE TABLE')).toBe(false);
    const url = await newDatabaseUrl();
    expect(await refusalOf(restore('locked.backup', url))).toBe('passphraseNeeded');
    expect(await refusalOf(restore('locked.backup', url, { passphrase: 'a plank and a pag' }))).toBe('brokenOrOtherPassphrase');
  });

  it('is taken by the key of the installation that made it, so that no forged one is', async () => {
    await make('plain.backup');
    const url = await newDatabaseUrl();
    expect(await refusalOf(restore('plain.backup', url, { key: null }))).toBe('keyNeeded');
    mkdirSync(at('forged'));
    writeFileSync(at('forged/database.sql'), `\\! touch ${at('owned')}\n`);
    await writeContainer(at('forged.backup'), at('forged'), { passphrase: null, key: 'a key of the forger' });
    expect(await refusalOf(restore('forged.backup', url))).toBe('brokenOrOtherKey');
    expect(await rowsIn(url)).toEqual({});
    // Where the key is lost a person may take it unverified: damage is found still.
    await restore('plain.backup', url, { key: UNVERIFIED });
    expect(await rowsIn(url)).toEqual(await rowsIn(bed.databaseUrl));
    expect(readdirSync(folder)).not.toContain('owned');
  });

  it('of a newer program, or onto what is there, is refused; an older one is taken', async () => {
    await make('one.backup');
    const url = await newDatabaseUrl();
    expect(await refusalOf(restore('one.backup', url, { knownMigrations: known.slice(0, -1) }))).toContain('another version');
    expect(await refusalOf(restore('one.backup', bed.databaseUrl))).toContain('not empty');
    await restore('one.backup', url, { knownMigrations: [...known, '9999-to-come'] });
    expect(await refusalOf(make('one.backup'))).toContain('is there already');
  });

  it('is made by the runner once a day, where it is wished', async () => {
    const requested = {
      folder: at('by-itself'),
      keep: 3,
      database: dumpAddressOf(bed.databaseUrl),
      dataFolder: at('data'),
      passphrase: null,
    };
    const context = { ...bed.context, backups: new DailyBackups(requested) };
    for (const day of ['2026-11-25', '2026-11-25', '2026-11-26']) {
      await inTransaction(bed.db, (work) => addJobs(work, [backupJob(day, bed.context.now())]));
      await runDue(context, 'test');
    }
    expect(readdirSync(at('by-itself')).sort()).toEqual(['yard-2026-11-25.backup', 'yard-2026-11-26.backup']);
  });

  it('is made once a day by itself, and the last ones are kept', async () => {
    const daily = new DailyBackups({
      folder: at('daily'),
      keep: 2,
      database: dumpAddressOf(bed.databaseUrl),
      dataFolder: at('data'),
      passphrase: null,
    });
    for (const day of ['2026-11-24', '2026-11-25', '2026-11-25', '2026-11-26']) await daily.make(day, known);
    expect(readdirSync(at('daily')).sort()).toEqual(['yard-2026-11-25.backup', 'yard-2026-11-26.backup']);
  });
});
