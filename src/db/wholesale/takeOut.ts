import { TABLE_NAMES } from '../models/tables';
import { tablesOf, type Work } from '../work';
import { lineOf, wholeColumns } from './columns';
import { MEANINGS, type WholeTable } from './meanings';

/** Every table that leaves, in an order that does not change. */
export const WHOLE_TABLES = TABLE_NAMES.filter((name): name is WholeTable => name in MEANINGS);

const ROWS_AT_ONCE = 2_000;

/** All rows of a table as lines of JSON, some at a time, in the order of their key. */
export async function* linesOfTable(work: Work, table: WholeTable): AsyncGenerator<string[]> {
  const columns = wholeColumns(table);
  const key = await keyOf(work, table);
  // JSON as its text: the driver takes some of it apart, and some not.
  const names = columns.map(({ name, kind }) => (kind === 'JSON' ? `CAST(\`${name}\` AS CHAR) AS \`${name}\`` : `\`${name}\``)).join(', ');
  const hasId = key.length === 1 && key[0] === 'id';
  for (let after = 0, seen = 0; ;) {
    const where = hasId ? 'WHERE id > :after' : '';
    const rows = await tablesOf(work).select<Record<string, unknown>>(
      `SELECT ${names} FROM \`${table}\` ${where} ORDER BY ${key.map((name) => `\`${name}\``).join(', ')} LIMIT :most ${hasId ? '' : 'OFFSET :seen'}`,
      { after, seen, most: ROWS_AT_ONCE },
    );
    if (rows.length > 0) yield rows.map((row) => lineOf(columns, row));
    if (rows.length < ROWS_AT_ONCE) return;
    seen += rows.length;
    after = Number(rows.at(-1)!.id);
  }
}

async function keyOf(work: Work, table: WholeTable): Promise<string[]> {
  const rows = await tablesOf(work).select<{ name: string }>(
    `SELECT COLUMN_NAME AS name FROM information_schema.KEY_COLUMN_USAGE
     WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = :table AND CONSTRAINT_NAME = 'PRIMARY' ORDER BY ORDINAL_POSITION`,
    { table },
  );
  return rows.map(({ name }) => name);
}

/** To which table and column each column of a table refers. */
export async function referencesOf(work: Work, table: WholeTable): Promise<Map<string, { table: string; column: string }>> {
  const rows = await tablesOf(work).select<{ name: string; to: string; at: string }>(
    `SELECT COLUMN_NAME AS name, REFERENCED_TABLE_NAME AS \`to\`, REFERENCED_COLUMN_NAME AS at FROM information_schema.KEY_COLUMN_USAGE
     WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = :table AND REFERENCED_TABLE_NAME IS NOT NULL`,
    { table },
  );
  return new Map(rows.map(({ name, to, at }) => [name, { table: to, column: at }]));
}
