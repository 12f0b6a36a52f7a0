import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const MOST = 120;
const pages = [
  'README.md',
  ...readdirSync('docs')
    .filter((name) => name.endsWith('.md'))
    .map((name) => path.join('docs', name)),
];

/** A page of measurements is written by the command that made them. */
const isWrittenByHand = (page: string) => !/^Written by `\.\/yard /m.test(readFileSync(page, 'utf8'));

describe('the docs', () => {
  it.each(pages.filter(isWrittenByHand))('%s is wrapped, so that a change shows line by line', (page) => {
    let isCode = false;
    const long = readFileSync(page, 'utf8')
      .split('\n')
      .filter((line) => {
        if (line.trimStart().startsWith('```')) isCode = !isCode;
        // A row of a table, a line of code and an address cannot be wrapped.
        return line.length > MOST && !isCode && !line.trimStart().startsWith('|') && !/\S{100}/.test(line);
      });
    expect(long).toEqual([]);
  });
});
