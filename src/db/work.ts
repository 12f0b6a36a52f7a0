import { QueryTypes, type Transaction } from 'sequelize';
import type { Instant } from '@/core/calendar';
import type { Database } from './database';
import { tableOf, type Column, type TableName } from './models/tables';
import type { Remembered } from './remembered';
import { plainRow } from './rows/plainRow';

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
  /** What never changes once written, by its content. */
  readonly remembered: Remembered;
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

export function workOn({ sequelize, remembered }: Database, transaction: Transaction): Work {
  const work: Work = { isWork: true };
  OPENED.set(work, {
    remembered,
    async select<Row>(sql: string, replacements: Replacements = {}) {
      const rows = await sequelize.query<Record<string, unknown>>(sql, { replacements, transaction, type: QueryTypes.SELECT, raw: true });
      return rows.map((row) => plainRow<Row>(row));
    },
    async insert(table, values) {
      const [id] = await sequelize.query(insertSql(table, [values]), {
        replacements: { rows: rowsOf([values]) },
        transaction,
        type: QueryTypes.INSERT,
      });
      return Number(id);
    },
    async insertAll(table, rows) {
      if (rows.length === 0) return;
      await sequelize.query(insertSql(table, rows), { replacements: { rows: rowsOf(rows) }, transaction, type: QueryTypes.INSERT });
    },
    async insertOrKeep<Row>(table: TableName, rows: readonly Record<string, unknown>[], returning: readonly string[]) {
      if (rows.length === 0) return [];
      const sql = `${insertSql(table, rows)} ON DUPLICATE KEY UPDATE id = id RETURNING ${returning.join(', ')}`;
      const kept = await sequelize.query<Record<string, unknown>>(sql, {
        replacements: { rows: rowsOf(rows) },
        transaction,
        type: QueryTypes.SELECT,
        raw: true,
      });
      return kept.map((row) => plainRow<Row>(row));
    },
    async update(table, values, where) {
      const [count] = await tableOf(sequelize, table).update(forModel(values), { where: forModel(where), transaction });
      return count;
    },
    async remove(table, where) {
      return tableOf(sequelize, table).destroy({ where: forModel(where), transaction });
    },
  });
  return work;
}

/** All rows name the same columns as the first. */
function insertSql(table: TableName, rows: readonly Record<string, unknown>[]): string {
  return `INSERT INTO ${table} (${Object.keys(rows[0]!).join(', ')}) VALUES :rows`;
}

function rowsOf(rows: readonly Record<string, unknown>[]): unknown[][] {
  const columns = Object.keys(rows[0]!);
  return rows.map((row) => columns.map((column) => forSql(column, row[column])));
}

/** For Sequelize's models: instants travel as Dates, the rest as it is. */
function forModel(values: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(values).map(([column, value]) => [column, isMoment(column) && typeof value === 'number' ? new Date(value) : value]),
  );
}

/** For plain SQL: instants travel as UTC text to the millisecond, lists and objects as JSON. */
function forSql(column: string, value: unknown): unknown {
  if (value === undefined || value === null) return null;
  if (typeof value === 'number' && isMoment(column)) return momentText(value);
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
