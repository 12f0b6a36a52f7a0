import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { z } from 'zod';
import { matchColumns, readRoster, readTable, USUAL_ROSTER_HEADINGS } from '@/formats';
import {
  columnsByKey,
  OPEN_TABLE_NAMES,
  OPEN_TABLES,
  writeDictionary,
  writeOpenApi,
  writeOpenCsv,
  type OpenColumn,
  type OpenRow,
  type OpenTable,
} from '.';
import { pageSchema } from './rowSchema';
import { readOpenCsv } from '../../../tests/fixtures/readOpenCsv';

const number = fc.integer({ min: -1_000_000, max: 1_000_000 });
/** Texts that people write, and that a spreadsheet would calculate with. */
const text = fc.oneof(
  fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }),
  fc.constantFrom('=1+1', "'=1", "''=1", '＝1', ' @x', '\n-2', '-5', "'-5", '"', 'a,b', 'a\r\nb', '﻿x', "'", '+', '\t', 'مشبك'),
);
const VALUES: Readonly<Record<string, fc.Arbitrary<string | number | boolean>>> = {
  text,
  number: number.map((value) => value / 4),
  'whole number': number,
  'yes or no': fc.boolean(),
  day: fc.constantFrom('2026-11-27', '2024-02-29'),
  moment: fc.constantFrom('2026-11-27T20:01:02.003Z'),
};
const valueOf = ({ kind, mayBeEmpty }: OpenColumn) => {
  const value = typeof kind === 'string' ? VALUES[kind]! : fc.constantFrom(...kind);
  return mayBeEmpty ? fc.option(value) : value;
};
const rowsOf = ({ columns }: OpenTable): fc.Arbitrary<OpenRow[]> =>
  fc.array(fc.record(Object.fromEntries(columns.map((column) => [column.key, valueOf(column)]))) as fc.Arbitrary<OpenRow>, {
    maxLength: 6,
  });

describe.each(OPEN_TABLE_NAMES)('the table %s', (name) => {
  const table = OPEN_TABLES[name];

  it('is read back as the rows that were written, whatever stands in them', () => {
    fc.assert(
      fc.property(rowsOf(table), (rows) => {
        expect(readOpenCsv(table, writeOpenCsv(table, rows))).toEqual({ ok: true, rows });
      }),
      { seed: 19, numRuns: 150 },
    );
  });

  // An independent reader of RFC 4180 finds as many cells, none of which a spreadsheet reckons with.
  it('holds no formula for another reader', () => {
    fc.assert(
      fc.property(rowsOf(table), (rows) => {
        const cells = parse(writeOpenCsv(table, rows), { bom: true, relax_column_count: false }) as string[][];
        expect(cells).toHaveLength(rows.length + 1);
        for (const cell of cells.flat()) expect(/^[\s﻿]*[=+@＝＋－＠]/u.test(cell) || /^[\s﻿]*-(?!\d+(\.\d+)?$)/u.test(cell)).toBe(false);
      }),
      { seed: 20, numRuns: 80 },
    );
  });

  it('leaves by key without what is personal, as the published schema says', () => {
    const [rows] = fc.sample(
      rowsOf(table).filter((some) => some.length > 0),
      { seed: 5, numRuns: 1 },
    );
    const keys = columnsByKey(table).map(({ key }) => key);
    const open = rows!.map((row) => Object.fromEntries(keys.map((key) => [key, row[key]])));
    expect(pageSchema(table).safeParse({ table: name, rows: open, next: null }).success).toBe(true);
    expect(pageSchema(table).safeParse({ table: name, rows, next: null }).success).toBe(false);
    expect(keys).not.toEqual(expect.arrayContaining(['words']));
    const document = writeOpenApi('https://yard.example') as {
      paths: Record<string, { get: { responses: Record<string, { content: Record<string, { schema: unknown }> }> } }>;
    };
    expect(document.paths[`/${name}`]!.get.responses['200']!.content['application/json']!.schema).toEqual(
      z.toJSONSchema(pageSchema(table)),
    );
  });
});

it('the dictionary has every column of every table with its meaning, once', () => {
  const rows = parse(writeDictionary(), { bom: true, columns: true }) as Record<string, string>[];
  const told = rows.map((row) => `${row.table} ${row['name in JSON']}`);
  expect(told).toEqual(Object.values(OPEN_TABLES).flatMap(({ name, columns }) => columns.map(({ key }) => `${name} ${key}`)));
  expect(new Set(told).size).toBe(told.length);
  expect(rows.every((row) => row.meaning!.length > 2 || row.meaning === 'UTC')).toBe(true);
});

it('a roster that left is understood by the list of Caseload', () => {
  const child = {
    ...{ childId: 7, calledName: 'Odalys', initial: 'V', bornOn: '2021-09-20', school: 'Millbeck Early Learning Center', hand: 'left' },
    ...{ minutesPerDay: 15, familyLanguage: 'es', allergies: 'wheat: rash', mouthsThings: true, scissorsAllowed: false, hasPrinter: false },
    ...{ reportWay: 'paper', helpers: 'mother', teacher: 'Room 4', likes: 'trucks' },
  };
  const read = readTable(writeOpenCsv(OPEN_TABLES.roster, [child]), 10);
  if (!read.ok) throw new Error(read.fault.code);
  const columns = matchColumns(read.table.headings, USUAL_ROSTER_HEADINGS);
  const [row] = readRoster(read.table, {
    columns,
    dateOrder: 'monthFirst',
    school: '',
    schools: new Map([['millbeck early learning center', 'Millbeck Early Learning Center']]),
    usual: { scissorsAllowed: null, mouthsThings: null },
  });
  const { childId: _, school, allergies, ...facts } = child;
  expect(row).toMatchObject({ school, record: { ...facts, allergies: [allergies] }, findings: [] });
});
