import Papa from 'papaparse';

/** What a spreadsheet would take for a formula, also in its wide forms and behind a space, a new line or an apostrophe of ours. */
const FORMULA = /^'*[\s\u00A0\uFEFF]*[=+\-@\t\r＝＋－＠]/u;
const NUMBER = /^-?\d+(\.\d+)?$/;

/**
 * A table as CSV (RFC 4180), with a mark of UTF-8 before it, which spreadsheets ask for. A cell that a spreadsheet would reckon with is
 * written as text, with an apostrophe before it: what a family wrote never becomes a formula. `readCsv` takes it off again.
 */
export function writeCsv(headings: readonly string[], rows: readonly (readonly string[])[]): string {
  const guarded = rows.map((row) => row.map((cell) => (isGuarded(cell) ? `'${cell}` : cell)));
  return `\uFEFF${Papa.unparse([headings as string[], ...guarded], { newline: '\r\n' })}\r\n`;
}

const isGuarded = (cell: string) => FORMULA.test(cell) && !NUMBER.test(cell);

/** The rows of a file that `writeCsv` wrote, the headings first, each cell as it was given. */
export function readCsv(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter: ',', newline: '\r\n' });
  // The last line end is followed by nothing.
  const rows = data.length > 0 && data.at(-1)!.length === 1 && data.at(-1)![0] === '' ? data.slice(0, -1) : data;
  return rows.map((row) => row.map((cell) => (cell.startsWith("'") && isGuarded(cell.slice(1)) ? cell.slice(1) : cell)));
}
