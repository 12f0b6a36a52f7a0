import { instant } from '@/core/calendar';

/**
 * A row as the program reads it, whatever the driver made of it: BIGINT becomes a number (or fails loudly where it would
 * lose digits), DATETIME an instant. DATE stays `YYYY-MM-DD`, JSON is parsed.
 */
export function plainRow<Row>(row: Record<string, unknown>): Row {
  const plain: Record<string, unknown> = {};
  for (const key in row) plain[key] = plainValue(row[key]);
  return plain as Row;
}

function plainValue(value: unknown): unknown {
  if (typeof value === 'bigint') {
    const number = Number(value);
    if (!Number.isSafeInteger(number)) throw new RangeError(`${value} does not fit into a number`);
    return number;
  }
  return value instanceof Date ? instant(value.getTime()) : value;
}
