import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import mariadb, { type Connection } from 'mariadb';
import { instant } from '@/core/calendar';
import { addSchool, addTaskVersion, changeHoldMinutes, inTransaction, migrator, openDatabase, setUpWorkplace, type Database } from '@/db';
import { readDatabaseUrl } from '@/db/databaseUrl';
import { runSql } from '../../scripts/sql';
import { loadLibrary } from '../../library/loadLibrary';

export const ZONE = 'America/Denver';
/** A Wednesday noon at Tarrow Hill. */
export const NOON = instant(Date.parse('2026-10-14T18:00:00Z'));
const TEMPLATE = 'yard_template';

const serverUrl = (base: string, name: string) => base.replace(/\/yard$/, `/${name}`);

/** The schema at its newest with the stock library, a school and a workplace: made once a run, copied for every test bed. */
export async function makeTemplate(base: string): Promise<void> {
  await withDatabase(base, (maker) => runSql(maker, `CREATE DATABASE ${TEMPLATE} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`));
  await withDatabase(serverUrl(base, TEMPLATE), async (db) => {
    await migrator(db).up();
    await inTransaction(db, async (work) => {
      await addSchool(work, 'Millbeck Early Learning Center', 'Tue, Thu');
      await setUpWorkplace(work, { emergencyNumber: '911', timeZone: ZONE });
      // What is sent goes out at once, but where a test says otherwise.
      await changeHoldMinutes(work, 0);
      for (const content of loadLibrary()) await addTaskVersion(work, content, NOON);
    });
  });
}

/** The address of an empty database of one's own on the tests' server. */
export async function newDatabaseUrl(): Promise<string> {
  const base = process.env.YARD_TEST_DATABASE;
  if (!base) throw new Error('The integration tests run through ./yard test integration, which starts their MariaDB.');
  const name = `yard_${randomBytes(6).toString('hex')}`;
  await withDatabase(base, (maker) => runSql(maker, `CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`));
  return serverUrl(base, name);
}

/** The address of a copy of the template: tables with their keys and rows, as a migration would leave them. */
export function copyOfTemplate(): Promise<string> {
  return copyOf('filled');
}

/** The address of a database with the newest schema, and of rows only what the schema itself puts there. */
export function copyOfSchema(): Promise<string> {
  return copyOf('bare');
}

type Filling = 'filled' | 'bare';
const ROWS_OF_SCHEMA = ['schema_migrations', 'audit_head'];

async function copyOf(filling: Filling): Promise<string> {
  const url = await newDatabaseUrl();
  const { hosts, user, password, database } = readDatabaseUrl(url);
  const connection = await mariadb.createConnection({ ...hosts[0], user, password, database, multipleStatements: true });
  try {
    // The same for every copy: read off the template once, also for the next file of tests, which remembers nothing.
    const file = path.join(process.env.YARD_TEST_FOLDER!, `copy-${filling}.sql`);
    if (!existsSync(file)) {
      writeFileSync(`${file}.${process.pid}`, await statementsOfCopy(connection, filling));
      renameSync(`${file}.${process.pid}`, file);
    }
    await connection.query(readFileSync(file, 'utf8'));
  } finally {
    await connection.end();
  }
  return url;
}

async function statementsOfCopy(connection: Connection, filling: Filling): Promise<string> {
  const columns = await connection.query<{ tableName: string; names: string }[]>(
    `SELECT table_name AS tableName, GROUP_CONCAT(CONCAT('\`', column_name, '\`') ORDER BY ordinal_position) AS names
     FROM information_schema.columns WHERE table_schema = ? AND is_generated = 'NEVER' GROUP BY table_name`,
    [TEMPLATE],
  );
  const statements = ['SET foreign_key_checks = 0'];
  for (const { tableName, names } of columns) {
    const [made] = await connection.query<Record<string, string>[]>(`SHOW CREATE TABLE ${TEMPLATE}.${tableName}`);
    statements.push(made!['Create Table']!);
    const [row] = await connection.query<{ isFilled: number }[]>(`SELECT EXISTS (SELECT 1 FROM ${TEMPLATE}.${tableName}) AS isFilled`);
    if (row!.isFilled && (filling === 'filled' || ROWS_OF_SCHEMA.includes(tableName)))
      statements.push(`INSERT INTO ${tableName} (${names}) SELECT ${names} FROM ${TEMPLATE}.${tableName}`);
  }
  return statements.join(';\n');
}

async function withDatabase(url: string, job: (db: Database) => Promise<unknown>): Promise<void> {
  const db = openDatabase(url, { max: 1 });
  try {
    await job(db);
  } finally {
    await db.close();
  }
}
