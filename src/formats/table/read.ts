import Papa from 'papaparse';

/** A list as it was given: a file of any usual separator, or cells pasted from a spreadsheet. */
export interface PastedTable {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
}
export type TableFault =
  | { readonly code: 'empty' }
  | { readonly code: 'tooLarge' }
  | { readonly code: 'noRows' }
  /** A quotation mark that never closes swallows what follows. @param row 1-based, the headings not counted */
  | { readonly code: 'openQuote'; readonly row: number }
  | { readonly code: 'tooManyRows'; readonly most: number };

const MOST_LETTERS = 500_000;

/** Takes a list apart: the first row are its headings. Rows without a word are left out. */
export function readTable(text: string, mostRows: number): { ok: true; table: PastedTable } | { ok: false; fault: TableFault } {
  if (text.trim() === '') return { ok: false, fault: { code: 'empty' } };
  if (text.length > MOST_LETTERS) return { ok: false, fault: { code: 'tooLarge' } };
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/^[\r\n]+|[\r\n]+$/g, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: ['\t', ',', ';', '|'],
  });
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  if (open) return { ok: false, fault: { code: 'openQuote', row: open.row ?? 0 } };
  const [headings, ...rows] = data.map((row) => row.map((cell) => cell.trim()));
  if (!headings || rows.length === 0) return { ok: false, fault: { code: 'noRows' } };
  if (rows.length > mostRows) return { ok: false, fault: { code: 'tooManyRows', most: mostRows } };
  return { ok: true, table: { headings, rows } };
}
