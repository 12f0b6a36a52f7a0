import Papa from 'papaparse';

/**
 * Beginnings that a spreadsheet takes for a formula, also in their wide forms and behind a space, a new line or an apostrophe of
 * ours.
 */
const FORMULA = /^'*[\s\u00A0\uFEFF]*[=+\-@\t\r＝＋－＠]/u;
const NUMBER = /^-?\d+(\.\d+)?$/;

/**
 * A table as CSV (RFC 4180), with a mark of UTF-8 before it, which spreadsheets ask for. A cell that a spreadsheet would reckon with is
 * written as text, with an apostrophe before it: what a family wrote never becomes a formula.
 */
export function writeCsv(headings: readonly string[], rows: readonly (readonly string[])[]): string {
  const guarded = rows.map((row) => row.map((cell) => (isGuarded(cell) ? `'${cell}` : cell)));
  return `\uFEFF${Papa.unparse([headings as string[], ...guarded], { newline: '\r\n' })}\r\n`;
}

const isGuarded = (cell: string) => FORMULA.test(cell) && !NUMBER.test(cell);
