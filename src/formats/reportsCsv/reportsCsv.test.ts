import { matchColumns, readTable } from '../table';
import { readReports, REPORTS_TEMPLATE, USUAL_REPORT_HEADINGS } from '.';

const rows = (text: string, order: 'monthFirst' | 'dayFirst' = 'monthFirst') => {
  const read = readTable(text, 10);
  if (!read.ok) throw new Error(read.fault.code);
  return readReports(read.table, matchColumns(read.table.headings, USUAL_REPORT_HEADINGS), order);
};

describe('a list of reports', () => {
  it('that is the published template is understood as a whole', () => {
    const [first, second] = rows(REPORTS_TEMPLATE);
    expect(first).toMatchObject({
      child: 'Odalys V.',
      task: 'Crane lift',
      doneOn: '2026-11-16',
      step: null,
      told: {
        done: true,
        left: 5,
        right: 4,
        amount: null,
        minutes: 4,
        help: 'words',
        effort: 'right',
        words: 'asks for more',
        saidBy: 'mother',
      },
      findings: [],
    });
    expect(second).toMatchObject({ told: { done: false, stopReason: 'time' }, findings: [] });
  });

  it('tells of an empty cell nothing, and of a missing column as little', () => {
    expect(rows('Student,Activity,Date\nOdalys,Crane lift,11/16/2026')[0]).toMatchObject({
      doneOn: '2026-11-16',
      told: { done: true, amount: null, left: null, right: null, help: null, effort: null, stopReason: null },
      findings: [],
    });
  });

  it.each([
    ['Help', 'a lot', 'help', 'notHelp'],
    ['Felt', 'meh', 'effort', 'notEffort'],
    ['Reason', 'rain', 'stopReason', 'notAReason'],
    ['Done', 'perhaps', 'done', 'notYesOrNo'],
    ['Amount', '8ish', 'amount', 'notACount'],
    ['Left', '-3', 'left', 'notACount'],
    ['Step', 'two', 'step', 'notAStep'],
    ['Help', 'constructor', 'help', 'notHelp'],
  ])('says of %s “%s” that it can’t be read, and guesses nothing', (heading, cell, column, code) => {
    const [row] = rows(`Child,Task,Day,${heading}\nOdalys,Crane lift,2026-11-16,${cell}`);
    expect(row!.findings).toEqual([{ column, code, cell }]);
  });

  it('says what a row lacks, and which day is none', () => {
    const [row] = rows('Child,Task,Day\n,,31/31/2026');
    expect(row!.findings.map(({ column, code }) => `${column} ${code}`)).toEqual(['child missing', 'task missing', 'doneOn notADate']);
  });
});
