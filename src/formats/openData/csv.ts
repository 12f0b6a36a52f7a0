import { readCsv, writeCsv } from '../csv';
import type { OpenColumn, OpenKind, OpenRow, OpenTable, OpenValue } from './column';

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

export interface OpenCellFault {
  /** 1-based, the headings not counted; 0 for the headings themselves */
  readonly row: number;
  readonly heading: string;
  readonly cell: string;
}

/** The same rows again, or each cell that does not hold what its column does. */
export function readOpenCsv(table: OpenTable, text: string): { ok: true; rows: OpenRow[] } | { ok: false; faults: OpenCellFault[] } {
  const [headings = [], ...lines] = readCsv(text);
  const missing = table.columns.filter(({ heading }) => !headings.includes(heading));
  if (missing.length > 0) return { ok: false, faults: missing.map(({ heading }) => ({ row: 0, heading, cell: '' })) };
  const faults: OpenCellFault[] = [];
  const rows = lines.map((line, index) =>
    Object.fromEntries(
      table.columns.map((column) => {
        const cell = line[headings.indexOf(column.heading)] ?? '';
        const value = valueOf(column, cell);
        if (value === undefined) faults.push({ row: index + 1, heading: column.heading, cell });
        return [column.key, value ?? null];
      }),
    ),
  );
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows };
}

const DAY = /^\d{4}-\d\d-\d\d$/;
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/;
const READ: { readonly [Kind in Exclude<OpenKind, readonly string[]>]: (cell: string) => OpenValue | undefined } = {
  text: (cell) => cell,
  number: (cell) => (Number.isFinite(Number(cell)) && cell.trim() !== '' ? Number(cell) : undefined),
  'whole number': (cell) => (Number.isSafeInteger(Number(cell)) && cell.trim() !== '' ? Number(cell) : undefined),
  'yes or no': (cell) => (cell === 'yes' ? true : cell === 'no' ? false : undefined),
  day: (cell) => (DAY.test(cell) ? cell : undefined),
  moment: (cell) => (MOMENT.test(cell) ? cell : undefined),
};

function valueOf({ kind, mayBeEmpty }: OpenColumn, cell: string): OpenValue | undefined {
  if (cell === '' && mayBeEmpty) return null;
  if (typeof kind !== 'string') return kind.includes(cell) ? cell : undefined;
  return READ[kind](cell);
}
