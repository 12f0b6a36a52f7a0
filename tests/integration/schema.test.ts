import { createHash } from 'node:crypto';
import { inOneWrite, inTransaction, migrator, openDatabase, type Database, type Work } from '@/db';
import { MIGRATIONS } from '@/db/migrations';
import type { Migration } from '@/db/migrations/migration';
import { SchemaSteps, type Way } from '@/db/migrations/schemaSteps';
import { tablesOf } from '@/db/work';
import { rowsOf } from '../../scripts/sql';
import { newDatabaseUrl, newTestBed, type TestBed } from './testBed';

describe('the schema', () => {
  it('comes up from empty, goes down to nothing, and comes up again', async () => {
    const db = openDatabase(await newDatabaseUrl());
    const tables = async () =>
      (
        await inTransaction(db, (work) =>
          tablesOf(work).select<{ name: string }>(
            'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
          ),
        )
      ).map((row) => row.name);
    await migrator(db).up();
    expect(await tables()).toEqual(expect.arrayContaining(['people', 'children', 'programs', 'reports', 'decisions', 'audit']));
    await migrator(db).down({ to: 0 });
    expect(await tables()).toEqual(['schema_migrations']);
    await migrator(db).up();
    expect(await migrator(db).pending()).toEqual([]);
    await db.close();
  });

  it('of the first release never changes: a later change is a migration of its own', () => {
    const hash = createHash('sha256').update(JSON.stringify(MIGRATIONS[0])).digest('hex');
    expect(hash).toBe('f02038297847118b0140d8418a9d0f694edd25e07432ab4d6065bb43c400f799');
  });

  it('is upgraded from the first release with the rows it holds, goes one version back, and forward again', async () => {
    const db = openDatabase(await newDatabaseUrl());
    const next: Migration = {
      name: '0002-example',
      up: ["ALTER TABLE schools ADD COLUMN town VARCHAR(80) NOT NULL DEFAULT ''", "UPDATE schools SET town = CONCAT('Town of ', name)"],
      down: ['ALTER TABLE schools DROP COLUMN town'],
    };
    const [first] = MIGRATIONS;
    await migrator(db, [first!]).up();
    await inTransaction(db, (work) => tablesOf(work).insert('schools', { name: 'Fold Lane School' }));
    const schools = () => rowsOf<{ name: string; town?: string }>(db, 'SELECT * FROM schools');
    const upgraded = migrator(db, [...MIGRATIONS, next]);
    await upgraded.up();
    expect(await schools()).toMatchObject([{ name: 'Fold Lane School', town: 'Town of Fold Lane School' }]);
    await upgraded.down();
    expect((await schools())[0]).not.toHaveProperty('town');
    expect((await upgraded.pending()).map(({ name }) => name)).toEqual(['0002-example']);
    await upgraded.up();
    expect(await schools()).toMatchObject([{ name: 'Fold Lane School', town: 'Town of Fold Lane School' }]);
    // A program that does not know the later migration changes nothing, and says what it found.
    await expect(migrator(db).up()).rejects.toThrow('its schema has 0002-example');
    await db.close();
  });
});

describe('a move of the schema that is broken off again and again', () => {
  const COLUMNS = `SELECT table_name AS tableName, column_name AS columnName, column_type AS type, is_nullable AS nullable, column_default AS standard
    FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position`;
  const KEYS = `SELECT table_name AS tableName, index_name AS indexName, GROUP_CONCAT(column_name ORDER BY seq_in_index) AS columns
    FROM information_schema.statistics WHERE table_schema = DATABASE() GROUP BY table_name, index_name ORDER BY table_name, index_name`;
  const shapeOf = (db: Database) =>
    inTransaction(db, async (work) => [
      await tablesOf(work).select<{ tableName: string }>(COLUMNS),
      await tablesOf(work).select<{ tableName: string }>(KEYS),
    ]);

  it('goes on from where it was, and comes to the same tables', async () => {
    const [whole, broken] = [openDatabase(await newDatabaseUrl()), openDatabase(await newDatabaseUrl(), { max: 2 })];
    await migrator(whole).up();
    /** Every so often all lines of that database are cut, as the server's own end does. */
    const cutting = async (move: () => Promise<unknown>) => {
      for (let cuts = 0; ; cuts += 1) {
        const moving = move().then(
          () => true,
          () => false,
        );
        const knife = setTimeout(() => void cutLines(whole, broken), 30 + 20 * cuts);
        const isDone = await moving;
        clearTimeout(knife);
        if (isDone) return cuts;
      }
    };
    expect(await cutting(() => migrator(broken).up())).toBeGreaterThan(2);
    expect(await shapeOf(broken)).toEqual(await shapeOf(whole));
    await Promise.all([whole.close(), broken.close()]);
  });

  it('takes each statement that changes tables for done where only the note of it is missing', async () => {
    const [whole, db] = [openDatabase(await newDatabaseUrl()), openDatabase(await newDatabaseUrl(), { max: 1 })];
    await migrator(whole).up();
    const steps = new SchemaSteps(db.sequelize);
    const oneByOne = async (name: string, way: Way, statements: readonly string[]) => {
      await steps.run(name, way, []);
      for (const [at, statement] of statements.entries()) {
        // What changes rows is done and noted together.
        if (/^\s*(CREATE|ALTER|DROP|RENAME)\b/i.test(statement)) await db.sequelize.query(statement);
        await steps.run(name, way, statements.slice(0, at + 1));
      }
    };
    for (const { name, up } of MIGRATIONS) await oneByOne(name, 'up', up);
    const added = await shapeOf(db);
    for (const { name, down } of [...MIGRATIONS].reverse()) await oneByOne(name, 'down', down);
    await steps.forget();
    expect(await shapeOf(db)).toEqual([[], []]);
    const named = ({ tableName }: { tableName: string }) => !tableName.startsWith('schema_');
    expect(added.map((rows) => rows.filter(named))).toEqual((await shapeOf(whole)).map((rows) => rows.filter(named)));
    await Promise.all([whole.close(), db.close()]);
  });

  it('does not take for done what was never begun', async () => {
    const db = openDatabase(await newDatabaseUrl());
    await db.sequelize.query('CREATE TABLE people (id INT)');
    await expect(migrator(db).up()).rejects.toThrow(/already exists/);
    // Nor at the second try: whose table it is has not changed by trying.
    await expect(migrator(db).up()).rejects.toThrow(/already exists/);
    await db.close();
  });
});

async function cutLines(by: Database, of: Database): Promise<void> {
  const { database } = of.sequelize.config;
  const lines = await rowsOf<{ id: number }>(by, 'SELECT id FROM information_schema.processlist WHERE db = :database', { database });
  // Whoever has gone meanwhile can't be cut.
  for (const { id } of lines) await by.sequelize.query(`KILL ${id}`).catch(() => {});
}

describe('the server’s own guards', () => {
  let bed: TestBed;
  beforeAll(async () => {
    bed = await newTestBed();
  });
  afterAll(() => bed.close());
  const write = <Answer>(job: (work: Work) => Promise<Answer>) => inTransaction(bed.db, job);

  it.each([
    ['a text that is too long (strict mode)', "INSERT INTO schools (name) VALUES (REPEAT('x', 81))", /too long/i],
    ['a day that does not exist', "INSERT INTO school_years (first_day, last_day) VALUES ('2026-02-30', '2027-01-01')", /Incorrect date/i],
    [
      'a year that ends before it starts',
      "INSERT INTO school_years (first_day, last_day) VALUES ('2026-09-01', '2026-01-01')",
      /school_years_span/,
    ],
    ['a second workplace', "INSERT INTO workplace (id, emergency_number, time_zone) VALUES (2, '1', 'x')", /workplace_one/],
    ['a child of no school', 'INSERT INTO goals (child_id) VALUES (999)', /foreign key/i],
    ['a school twice', "INSERT INTO schools (name) VALUES ('Millbeck Early Learning Center')", /Duplicate/i],
  ])('refuse %s', async (_name, sql, words) => {
    const error = await write((work) => tablesOf(work).select(sql)).then(
      () => null,
      (caught: Error & { original?: Error }) => caught.original?.message ?? caught.message,
    );
    expect(error).toMatch(words);
  });

  it('keep time in UTC to the millisecond, days as text, emoji, JSON and truth as they were', async () => {
    const moment = Date.parse('2026-03-08T09:59:59.123Z');
    const words = '👩‍👧 مرحبا ñ';
    const [row] = await write(async (work) => {
      const taskId = await tablesOf(work).insert('tasks', { slug: 'round-trip' });
      await tablesOf(work).insert('task_versions', {
        task_id: taskId,
        number: 1,
        content: { words, list: [1, 2.5, null, true] },
        created_at: moment,
      });
      await tablesOf(work).insert('school_years', { first_day: '2026-03-08', last_day: '2026-12-31' });
      return tablesOf(work).select<Record<string, unknown>>(
        'SELECT v.created_at, v.content, y.first_day, @@time_zone AS zone FROM task_versions v JOIN school_years y WHERE v.task_id = :taskId',
        { taskId },
      );
    });
    expect(row).toEqual({ created_at: moment, content: { words, list: [1, 2.5, null, true] }, first_day: '2026-03-08', zone: '+00:00' });
  });

  it('fail loudly where a BIGINT would lose digits', async () => {
    await expect(write((work) => tablesOf(work).select('SELECT CAST(9007199254740993 AS UNSIGNED) AS big'))).rejects.toThrow(
      "can't safely be converted to number",
    );
    expect(await write((work) => tablesOf(work).select('SELECT CAST(9007199254740991 AS UNSIGNED) AS big'))).toEqual([
      { big: 9007199254740991 },
    ]);
  });
});

describe('transactions', () => {
  let bed: TestBed;
  beforeAll(async () => {
    bed = await newTestBed();
  });
  afterAll(() => bed.close());

  it('roll everything back when anything throws', async () => {
    const failed = inTransaction(bed.db, async (work) => {
      await tablesOf(work).insert('schools', { name: 'Half a school' });
      throw new Error('stop');
    });
    await expect(failed).rejects.toThrow('stop');
    expect(await bed.read("SELECT id FROM schools WHERE name = 'Half a school'")).toEqual([]);
  });

  it('of one write have room for one, and the database commits it', async () => {
    const add = (work: Work, name: string) => tablesOf(work).insert('schools', { name });
    const both = inOneWrite(bed.db, async (work) => {
      await add(work, 'First of one');
      await add(work, 'Second of one');
    });
    await expect(both).rejects.toThrow('room for one INSERT');
    await expect(inOneWrite(bed.db, (work) => tablesOf(work).remove('schools', { name: 'First of one' }))).rejects.toThrow('room for one');
    expect(await bed.read("SELECT name FROM schools WHERE name LIKE '%of one'")).toEqual([{ name: 'First of one' }]);
  });

  it('that fail never quote what people wrote', async () => {
    const words = 'Odalys had a fall';
    const failed = inTransaction(bed.db, (work) => tablesOf(work).select('SELECT nothing FROM schools WHERE name = :words', { words }));
    const fault: Error & { errno?: number } = await failed.then(
      () => new Error('it did not fail'),
      (error: Error) => error,
    );
    expect(fault.errno).toBe(1054);
    expect(`${fault.message}${fault.stack}${JSON.stringify(fault)}`).not.toContain('Odalys');
  });

  it('that deadlock are started once more, and both end well', async () => {
    const [a, b] = await inTransaction(bed.db, async (work) => [
      await tablesOf(work).insert('schools', { name: 'A' }),
      await tablesOf(work).insert('schools', { name: 'B' }),
    ]);
    let waiting = 2;
    let bothHoldOne!: () => void;
    const gate = new Promise<void>((resolve) => {
      bothHoldOne = resolve;
    });
    let tries = 0;
    const cross = (first: number, second: number, mark: string) =>
      inTransaction(bed.db, async (work) => {
        tries += 1;
        await tablesOf(work)
          .select('UPDATE schools SET visit_days = CONCAT(visit_days, :mark) WHERE id = :first', { mark, first })
          .catch(ignoreEmptyResult);
        if ((waiting -= 1) === 0) bothHoldOne();
        await gate;
        await tablesOf(work)
          .select('UPDATE schools SET visit_days = CONCAT(visit_days, :mark) WHERE id = :second', { mark, second })
          .catch(ignoreEmptyResult);
      });
    await Promise.all([cross(a!, b!, 'x'), cross(b!, a!, 'y')]);
    expect(tries).toBe(3);
    const rows = await bed.read<{ visit_days: string }>('SELECT visit_days FROM schools WHERE id IN (:ids)', { ids: [a, b] });
    expect(rows.map((row) => [...row.visit_days].sort().join(''))).toEqual(['xy', 'xy']);
  });

  it('find the host that answers among several', async () => {
    const url = (await newDatabaseUrl()).replace('@127.0.0.1:', '@127.0.0.1:1,127.0.0.1:');
    const db = openDatabase(url);
    expect(await inTransaction(db, (work) => tablesOf(work).select('SELECT 1 AS one'))).toEqual([{ one: 1 }]);
    await db.close();
  });
});

/** An UPDATE run as a question has no rows to give; a deadlock must go on to the caller. */
function ignoreEmptyResult(error: { errno?: number }): void {
  if (error.errno) throw error;
}
