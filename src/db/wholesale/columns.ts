import { DataTypes } from 'sequelize';
import { columnsOf, type TableName } from '../models/tables';
import { COLUMNS_LEFT_OUT, type WholeTable } from './meanings';

export type WholeKind = 'whole number' | 'number' | 'yes or no' | 'day' | 'moment' | 'JSON' | 'text';

export interface WholeColumn {
  readonly name: string;
  readonly kind: WholeKind;
}

const KINDS: readonly (readonly [unknown, WholeKind])[] = [
  [DataTypes.BIGINT, 'whole number'],
  [DataTypes.INTEGER, 'whole number'],
  [DataTypes.DOUBLE, 'number'],
  [DataTypes.BOOLEAN, 'yes or no'],
  [DataTypes.DATEONLY, 'day'],
  [DataTypes.JSON, 'JSON'],
  [DataTypes.STRING, 'text'],
  [DataTypes.TEXT, 'text'],
];

/** The columns of a table as they leave, in their order; what stays here is not among them. */
export function wholeColumns(table: WholeTable): WholeColumn[] {
  const leftOut = COLUMNS_LEFT_OUT[table] ?? {};
  return columnsOf(table as TableName)
    .filter(({ name }) => !(name in leftOut))
    .map(({ name, type }) => ({ name, kind: KINDS.find(([known]) => known === type)?.[1] ?? 'moment' }));
}

/** A row as one line of JSON, its columns in the table's order: moments as UTC text, yes or no as such. */
export function lineOf(columns: readonly WholeColumn[], row: Readonly<Record<string, unknown>>): string {
  return JSON.stringify(Object.fromEntries(columns.map(({ name, kind }) => [name, outOf(kind, row[name])])));
}

function outOf(kind: WholeKind, value: unknown): unknown {
  if (value === null || value === undefined) return null;
  if (kind === 'moment') return new Date(value as number).toISOString();
  // A DECIMAL is read as its digits.
  if (kind === 'number') return Number(value);
  if (kind === 'yes or no') return Number(value) === 1;
  return kind === 'JSON' ? JSON.parse(value as string) : value;
}

const TEXT_OF_A_MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/;
const TEXT_OF_A_DAY = /^\d{4}-\d\d-\d\d$/;
const FITS: { readonly [Kind in WholeKind]: (value: unknown) => boolean } = {
  'whole number': Number.isSafeInteger,
  number: Number.isFinite,
  'yes or no': (value) => typeof value === 'boolean',
  day: (value) => typeof value === 'string' && TEXT_OF_A_DAY.test(value),
  moment: (value) => typeof value === 'string' && TEXT_OF_A_MOMENT.test(value) && Number.isFinite(Date.parse(value)),
  JSON: (value) => value !== undefined,
  text: (value) => typeof value === 'string',
};

/** A line that is no row of its table: which column, and what should stand there. */
export class BrokenLine extends Error {
  constructor(
    readonly column: string,
    readonly wanted: string,
  ) {
    super(`${column}: ${wanted}`);
  }
}

/** The row that a line holds. @throws BrokenLine for one that is none of this table */
export function rowOf(columns: readonly WholeColumn[], line: string): Record<string, unknown> {
  const read = parsed(line);
  const extra = Object.keys(read).find((name) => !columns.some((column) => column.name === name));
  if (extra) throw new BrokenLine(extra, 'the table has no such column');
  return Object.fromEntries(columns.map((column) => [column.name, inOf(column, read[column.name])]));
}

function parsed(line: string): Record<string, unknown> {
  try {
    const read: unknown = JSON.parse(line);
    if (typeof read === 'object' && read !== null && !Array.isArray(read)) return read as Record<string, unknown>;
  } catch {
    // It is told below.
  }
  throw new BrokenLine('', 'a row as JSON');
}

function inOf({ name, kind }: WholeColumn, value: unknown): unknown {
  if (value === null) return null;
  if (!FITS[kind](value)) throw new BrokenLine(name, kind);
  if (kind === 'moment') return Date.parse(value as string);
  return kind === 'JSON' ? JSON.stringify(value) : value;
}
