import { writeCsv } from '../csv';
import type { OpenRow, OpenTable, OpenValue } from './column';

/** A table as CSV. What is empty in a cell was not told. */
export function writeOpenCsv({ columns }: OpenTable, rows: readonly OpenRow[]): string {
  return writeCsv(
    columns.map(({ heading }) => heading),
    rows.map((row) => columns.map(({ key }) => cellOf(row[key] ?? null))),
  );
}

function cellOf(value: OpenValue): string {
  if (value === null) return '';
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);
}
