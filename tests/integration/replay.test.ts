import { chmodSync, copyFileSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { MIGRATIONS, migrator, openDatabase, type Database } from '@/db';
import { dumpAddressOf } from '@/main/contextFrom';
import { knownBackupKey, makeBackup, restoreBackup } from '@/outside/backup';
import { startMariaDb, type PrivateMariaDb } from '../../scripts/mariadb';
import { rowsOf, runSql } from '../../scripts/sql';

const folder = mkdtempSync(path.join(tmpdir(), 'yard-replay-'));
const at = (name: string) => path.join(folder, name);
const names = MIGRATIONS.map(({ name }) => name);
/** Later than the log itself was begun. */
const begun = Date.now();
const inMinutes = (minutes: number) => new Date(begun + minutes * 60_000).toISOString().replace('T', ' ').slice(0, 19);
let server: PrivateMariaDb;
let db: Database;

/** Written at a moment by the server's own log, so that nobody has to wait for a clock. */
const addSchool = (name: string, moment: string) =>
  db.sequelize.transaction(async (transaction) => {
    const run = (sql: string) => db.sequelize.query(sql, { transaction, raw: true });
    await run(`SET timestamp = UNIX_TIMESTAMP('${moment}')`);
    await run(`INSERT INTO schools (name) VALUES ('${name}')`);
    await run('SET timestamp = DEFAULT');
  });

beforeAll(async () => {
  chmodSync(folder, 0o711);
  server = await startMariaDb(at('first'), { keepsLog: true });
  db = openDatabase(server.url(), { max: 1 });
  await migrator(db).up();
  await addSchool('Fold Lane School', inMinutes(10));
  mkdirSync(at('data'));
  await makeBackup({
    file: at('one.backup'),
    database: dumpAddressOf(server.url()),
    dataFolder: at('data'),
    migrations: names,
    passphrase: null,
    writtenAt: '2026-11-26T10:30:00Z',
    onProgress: () => {},
  });
  await addSchool('Millbeck Early Learning Center', inMinutes(20));
  await runSql(db, 'FLUSH BINARY LOGS').catch(() => {});
  await addSchool('Slateway Elementary School', inMinutes(40));
  await db.close();
  await server.stop();
  // Copied away, as a machine that burnt down leaves it.
  mkdirSync(at('log'));
  for (const name of readdirSync(at('first/data')).filter((each) => /^binlog\.\d+$/.test(each)))
    copyFileSync(at(`first/data/${name}`), at(`log/${name}`));
}, 60_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const restored = async (until: string | null, log = at('log')) => {
  const place = at(`second-${Math.random().toString(36).slice(2)}`);
  const second = await startMariaDb(path.join(place, 'mariadb'));
  const there = openDatabase(second.url(), { max: 1 });
  try {
    await restoreBackup({
      file: at('one.backup'),
      database: dumpAddressOf(second.url()),
      dataFolder: path.join(place, 'data'),
      knownMigrations: names,
      passphrase: null,
      key: knownBackupKey(at('data')),
      replay: { folder: log, until },
      onProgress: () => {},
    });
    return (await rowsOf<{ name: string }>(there, 'SELECT name FROM schools ORDER BY id')).map(({ name }) => name);
  } finally {
    await there.close();
    await second.stop();
  }
};

describe('a backup and the log of what came after it', () => {
  it('bring back the last thing that was written before the machine burnt down', async () => {
    expect(await restored(null)).toEqual(['Fold Lane School', 'Millbeck Early Learning Center', 'Slateway Elementary School']);
  }, 60_000);

  it('bring back how it stood at a moment, as before somebody deleted what they should not have', async () => {
    expect(await restored(inMinutes(30))).toEqual(['Fold Lane School', 'Millbeck Early Learning Center']);
  }, 60_000);

  it('say where the log is not, and change nothing', async () => {
    mkdirSync(at('empty'), { recursive: true });
    await expect(restored(null, at('empty'))).rejects.toThrow(/does not have binlog\.\d+/);
  }, 60_000);
});
