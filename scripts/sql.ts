import { QueryTypes } from 'sequelize';
import type { Database } from '@/db';

/** Asks a database beside the program, as a witness or to measure: numbers for BIGINT, milliseconds for moments. */
export async function rowsOf<Row>(db: Database, sql: string, replacements: Record<string, unknown> = {}): Promise<Row[]> {
  const rows = await db.sequelize.query<Record<string, unknown>>(sql, { replacements, type: QueryTypes.SELECT, raw: true });
  return rows.map((row) => Object.fromEntries(Object.entries(row).map(([key, value]) => [key, asNumber(value)])) as Row);
}

/** Runs statements one after the other, outside of the program's own transactions. */
export async function runSql(db: Database, sql: string, replacements: Record<string, unknown> = {}): Promise<void> {
  await db.sequelize.query(sql, { replacements, raw: true });
}

function asNumber(value: unknown): unknown {
  if (typeof value === 'bigint') return Number(value);
  return value instanceof Date ? value.getTime() : value;
}
