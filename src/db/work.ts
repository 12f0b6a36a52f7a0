import { QueryTypes, type Transaction } from 'sequelize';
import type { Instant } from '@/core/calendar';
import type { Database } from './database';
import { plainRow } from './mappers/plainRow';
import { tableOf, type Column, type TableName } from './models/tables';

export type Value = string | number | boolean | null | Instant | object | undefined;
export type Values<Name extends TableName> = Partial<Record<Column<Name>, Value>>;
export type Replacements = Readonly<Record<string, unknown>>;

/**
 * The only way to the tables. A unit of work is bound to its transaction, so that no statement can forget to be part of
 * it; only the opener (`inTransaction`) commits.
 */
export interface Work {
  /** Rows that never change once written (task versions), kept for the life of the connection pool. */
  readonly unchanging: Map<string, unknown>;
  select<Row>(sql: string, replacements?: Replacements): Promise<Row[]>;
  /** Gives back the new id. */
  insert<Name extends TableName>(table: Name, values: Values<Name>): Promise<number>;
  insertAll<Name extends TableName>(table: Name, rows: readonly Values<Name>[]): Promise<void>;
  /** Gives back how many rows matched. */
  update<Name extends TableName>(table: Name, values: Values<Name>, where: Values<Name>): Promise<number>;
  remove<Name extends TableName>(table: Name, where: Values<Name>): Promise<number>;
}

const memories = new WeakMap<object, Map<string, unknown>>();

function memoryOf(sequelize: object): Map<string, unknown> {
  const memory = memories.get(sequelize) ?? new Map<string, unknown>();
  memories.set(sequelize, memory);
  return memory;
}

export function workOn({ sequelize }: Database, transaction: Transaction): Work {
  return {
    unchanging: memoryOf(sequelize),
    async select<Row>(sql: string, replacements: Replacements = {}) {
      const rows = await sequelize.query<Record<string, unknown>>(sql, { replacements, transaction, type: QueryTypes.SELECT, raw: true });
      return rows.map((row) => plainRow<Row>(row));
    },
    async insert(table, values) {
      const row = await tableOf(sequelize, table).create(forDriver(values), { transaction });
      return Number(row.get('id') ?? 0);
    },
    async insertAll(table, rows) {
      if (rows.length === 0) return;
      await tableOf(sequelize, table).bulkCreate(rows.map(forDriver), { transaction });
    },
    async update(table, values, where) {
      const [count] = await tableOf(sequelize, table).update(forDriver(values), { where: forDriver(where), transaction });
      return count;
    },
    async remove(table, where) {
      return tableOf(sequelize, table).destroy({ where: forDriver(where), transaction });
    },
  };
}

/** Instants travel as Dates; columns named `…_at` and `at` hold them. */
function forDriver(values: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(values).map(([column, value]) => [column, isMoment(column) && typeof value === 'number' ? new Date(value) : value]),
  );
}

function isMoment(column: string): boolean {
  return column === 'at' || column.endsWith('_at');
}
