import { createHash, randomBytes } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Database } from '../database';
import { tablesOf, workOn, type Work } from '../work';
import { rowOf, wholeColumns } from './columns';
import { COLUMNS_LEFT_OUT, type WholeTable } from './meanings';
import { referencesOf, WHOLE_TABLES } from './takeOut';

/** A table's lines, some at a time. */
export type LinesOf = (table: WholeTable) => AsyncIterable<readonly string[]>;

/** A line that can't be brought in: nothing was. */
export class BrokenWhole extends Error {
  constructor(
    readonly table: WholeTable,
    /** 1-based; null where no single line is at fault */
    readonly line: number | null,
    readonly wanted: string,
  ) {
    super(`${table}${line === null ? '' : `, line ${line}`}: ${wanted}`);
  }
}

/**
 * Puts all tables into an empty database, in one transaction, and looks whether every row finds the rows that it refers to.
 * @throws BrokenWhole; nothing is changed then
 */
export async function bringInWhole(database: Database, linesOf: LinesOf): Promise<Map<WholeTable, number>> {
  await database.looked;
  return database.sequelize.transaction(async (transaction) => {
    const set = (on: 0 | 1) => database.sequelize.query(`SET foreign_key_checks = ${on}`, { transaction });
    // Rows refer to each other both ways; whether each finds its own is looked at in the end.
    await set(0);
    try {
      return await bringIn(database, transaction, linesOf);
    } finally {
      await set(1);
    }
  });
}

async function bringIn(database: Database, transaction: Transaction, linesOf: LinesOf): Promise<Map<WholeTable, number>> {
  const work = workOn(transaction);
  const counts = new Map<WholeTable, number>();
  for (const table of WHOLE_TABLES) {
    // Rows that the schema itself inserts are imported, too.
    await database.sequelize.query(`DELETE FROM \`${table}\``, { transaction });
    counts.set(table, await bringInTable(work, table, linesOf(table)));
  }
  for (const table of WHOLE_TABLES) await refuseStrays(work, table);
  return counts;
}

async function bringInTable(work: Work, table: WholeTable, lines: AsyncIterable<readonly string[]>): Promise<number> {
  const columns = wholeColumns(table);
  const hashes = Object.entries(COLUMNS_LEFT_OUT[table] ?? {}).flatMap(([name, what]) => (what === 'opensNothing' ? [name] : []));
  let count = 0;
  for await (const some of lines) {
    const rows = some.map((line, index) => {
      try {
        return { ...rowOf(columns, line), ...Object.fromEntries(hashes.map((name) => [name, opensNothing()])) };
      } catch (error) {
        throw new BrokenWhole(table, count + index + 1, error instanceof Error ? error.message : String(error));
      }
    });
    try {
      await tablesOf(work).insertAll(table, rows);
    } catch (error) {
      throw new BrokenWhole(table, null, `one of the lines ${count + 1} to ${count + rows.length} is refused: ${(error as Error).message}`);
    }
    count += some.length;
  }
  return count;
}

/** The hash of something that nobody knows. */
function opensNothing(): string {
  return createHash('sha256').update(randomBytes(32)).digest('hex');
}

async function refuseStrays(work: Work, table: WholeTable): Promise<void> {
  for (const [column, to] of await referencesOf(work, table)) {
    const [stray] = await tablesOf(work).select<{ value: unknown }>(
      `SELECT a.\`${column}\` AS value FROM \`${table}\` a LEFT JOIN \`${to.table}\` b ON b.\`${to.column}\` = a.\`${column}\`
       WHERE a.\`${column}\` IS NOT NULL AND b.\`${to.column}\` IS NULL LIMIT 1`,
    );
    if (stray) throw new BrokenWhole(table, null, `${column} ${String(stray.value)} is not in ${to.table}`);
  }
}
