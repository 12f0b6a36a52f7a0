import type { Sequelize, Transaction } from 'sequelize';
import type { Instant } from '@/core/calendar';
import { askDriver, sendDriver, plainRows, type DriverConnection } from './driver';
import { tableOf, type Column, type TableName } from './models/tables';

/**
 * A unit of work, bound to its transaction. Outside of this folder it is a token that is handed on: only repositories can
 * open it, so that column names stay on this side of the wall.
 */
export interface Work {
  readonly isWork: true;
}

type Value = string | number | boolean | null | Instant | object | undefined;
export type Values<Name extends TableName> = Partial<Record<Column<Name>, Value>>;
type Replacements = Readonly<Record<string, unknown>>;

/** The only way to the tables: no statement can forget to be part of its transaction, and only the opener commits. */
export interface Tables {
  select<Row>(sql: string, replacements?: Replacements): Promise<Row[]>;
  /** Gives back the new id. */
  insert<Name extends TableName>(table: Name, values: Values<Name>): Promise<number>;
  insertAll<Name extends TableName>(table: Name, rows: readonly Values<Name>[]): Promise<void>;
  /** Inserts what no unique key knows yet, leaves the rest as it stands, and gives back the rows that stand now. */
  insertOrKeep<Row>(table: TableName, rows: readonly Record<string, unknown>[], returning: readonly string[]): Promise<Row[]>;
  /** Gives back how many rows matched. */
  update<Name extends TableName>(table: Name, values: Values<Name>, where: Values<Name>): Promise<number>;
  remove<Name extends TableName>(table: Name, where: Values<Name>): Promise<number>;
}

const OPENED = new WeakMap<Work, Tables>();

/** The tables of a unit of work, for repositories. @throws Error for a token that no transaction gave out. */
export function tablesOf(work: Work): Tables {
  const tables = OPENED.get(work);
  if (!tables) throw new Error('This is no unit of work of an open transaction');
  return tables;
}

/** The pool and the line of a transaction, which its types leave out; the pool that is right may be another one by now. */
function openedBy(transaction: Transaction): { sequelize: Sequelize; connection: DriverConnection } {
  return transaction as unknown as { sequelize: Sequelize; connection: DriverConnection };
}

/** A unit of work in a transaction: all of it is committed, or none. */
export function workOn(transaction: Transaction): Work {
  const { sequelize, connection } = openedBy(transaction);
  return open({
    ...statementsOn(sequelize, connection),
    async update(table, values, where) {
      const [count] = await tableOf(sequelize, table).update(forModel(values), { where: forModel(where), transaction });
      return count;
    },
    async remove(table, where) {
      return tableOf(sequelize, table).destroy({ where: forModel(where), transaction });
    },
  });
}

const LOCKS = /\bFOR UPDATE\b|\bLOCK IN SHARE MODE\b/;

/** A unit of work that only reads: what it would write might go to a node that nobody writes to, and a lock would hold nobody. */
export function workOfReading(transaction: Transaction): Work {
  const { sequelize, connection } = openedBy(transaction);
  const { select } = statementsOn(sequelize, connection);
  const refuse = async (): Promise<never> => {
    throw new Error('A unit of work of reading writes and locks nothing: open a transaction');
  };
  return open({
    select: (sql, replacements) => (LOCKS.test(sql) ? refuse() : select(sql, replacements)),
    insert: refuse,
    insertAll: refuse,
    insertOrKeep: refuse,
    update: refuse,
    remove: refuse,
  });
}

/** A unit of work that writes one statement, which the database commits by itself; a second one is refused. */
export function workOfOneWrite(sequelize: Sequelize, connection: DriverConnection): Work {
  const statements = statementsOn(sequelize, connection);
  let hasWritten = false;
  const refuse = async (): Promise<never> => {
    throw new Error('A unit of work of one write has room for one INSERT: open a transaction');
  };
  const once =
    <Words extends unknown[], Answer>(write: (...words: Words) => Promise<Answer>) =>
    (...words: Words): Promise<Answer> => {
      if (hasWritten) return refuse();
      hasWritten = true;
      return write(...words);
    };
  return open({
    select: statements.select,
    insert: once(statements.insert) as Tables['insert'],
    insertAll: once(statements.insertAll) as Tables['insertAll'],
    insertOrKeep: once(statements.insertOrKeep) as Tables['insertOrKeep'],
    update: refuse,
    remove: refuse,
  });
}

function open(tables: Tables): Work {
  const work: Work = { isWork: true };
  OPENED.set(work, tables);
  return work;
}

type Statements = Pick<Tables, 'select' | 'insert' | 'insertAll' | 'insertOrKeep'>;

function statementsOn(sequelize: Sequelize, connection: DriverConnection): Statements {
  const insert = (table: TableName, rows: readonly Record<string, unknown>[], tail = '') => {
    // All rows name the same columns as the first.
    const columns = Object.keys(rows[0]!);
    const places = rows.map(() => `(${columns.map(() => '?').join(',')})`).join(',');
    const sql = `INSERT INTO ${table} (${columns.join(', ')}) VALUES ${places}${tail}`;
    return sendDriver(sequelize, connection, sql, valuesOf(columns, rows));
  };
  return {
    async select<Row>(sql: string, replacements: Replacements = {}) {
      return plainRows<Row>(await askDriver(sequelize, connection, sql, replacements));
    },
    insert: async (table, values) => Number((await insert(table, [values])).insertId),
    async insertAll(table, rows) {
      if (rows.length > 0) await insert(table, rows);
    },
    async insertOrKeep<Row>(table: TableName, rows: readonly Record<string, unknown>[], returning: readonly string[]) {
      if (rows.length === 0) return [];
      return plainRows<Row>(await insert(table, rows, ` ON DUPLICATE KEY UPDATE id = id RETURNING ${returning.join(', ')}`));
    },
  };
}

/** The values of all rows, one after the other. */
function valuesOf(columns: readonly string[], rows: readonly Record<string, unknown>[]): unknown[] {
  const areMoments = columns.map(isMoment);
  return rows.flatMap((row) => columns.map((column, index) => forSql(row[column], areMoments[index]!)));
}

/** For Sequelize's models: instants travel as Dates, the rest as it is. */
function forModel(values: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(values).map(([column, value]) => [column, isMoment(column) && typeof value === 'number' ? new Date(value) : value]),
  );
}

/** For plain SQL: instants travel as UTC text to the millisecond, lists and objects as JSON. */
function forSql(value: unknown, isAMoment: boolean): unknown {
  if (value === undefined || value === null) return null;
  if (isAMoment && typeof value === 'number') return momentText(value);
  return typeof value === 'object' ? JSON.stringify(value) : value;
}

/** An instant as plain SQL compares it. */
export function momentText(moment: number): string {
  return new Date(moment).toISOString().replace('T', ' ').slice(0, 23);
}

/** Columns that hold instants are named so. */
function isMoment(column: string): boolean {
  return column === 'at' || column.endsWith('_at') || column === 'run_after' || column === 'lease_until';
}
