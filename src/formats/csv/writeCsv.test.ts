import { parse } from 'csv-parse/sync';
import { writeCsv } from '.';

const read = (text: string) => parse(text, { bom: true }) as string[][];

// An independent reader of RFC 4180.
it('comes back from another reader as it went in, commas, quotes and lines included', () => {
  const rows = [
    ['Odalys, V.', 'said "too hard"'],
    ['two\nlines', 'ñ é ü'],
    ['-4', '12.5'],
  ];
  expect(read(writeCsv(['who', 'what'], rows))).toEqual([['who', 'what'], ...rows]);
});

it.each(['=1+1', '+1 555', '-2+3', '@sum', ' =1', '\n=1', '＝1', '＋1', '－1', '＠x', '\t=1'])(
  'writes %j as text, never as a formula',
  (cell) => {
    expect(read(writeCsv(['x'], [[cell]]))[1]).toEqual([`'${cell}`]);
  },
);
