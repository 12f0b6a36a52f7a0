import type { CalendarDay } from '@/core/calendar';
import type { DateOrder } from '@/core/students';
import type { Effort, ReportColumn, SessionFacts, StopReason } from '@/core/reports';
import type { HelpLevel } from '@/core/vocabulary';
import { plain } from '@/core/text';
import { cellOf, readDate, type PastedTable } from '../table';

export const MOST_REPORT_ROWS = 500;

export interface ReportCellFinding {
  readonly column: ReportColumn;
  readonly code: 'missing' | 'notADate' | 'notACount' | 'notYesOrNo' | 'notHelp' | 'notEffort' | 'notAReason' | 'notAStep';
  readonly cell: string;
}

/** Values of a row; student and task are looked up where they are known. */
export interface ReportRow {
  /** Its place in the list, 1-based, the headings not counted. */
  readonly number: number;
  readonly child: string;
  readonly task: string;
  readonly doneOn: CalendarDay | null;
  /** The step that was named; null where the list names none, or this row. */
  readonly step: number | null;
  readonly told: Omit<SessionFacts, 'doneOn' | 'step' | 'safetyWord' | 'press' | 'isQuestion'>;
  readonly findings: readonly ReportCellFinding[];
}

/** How lists call what was done, helped and felt, beside our own names. Common practice, no source. */
const DONE: Readonly<Record<string, boolean>> = {
  '': true,
  yes: true,
  y: true,
  done: true,
  x: true,
  '1': true,
  no: false,
  n: false,
  'not done': false,
  '0': false,
};
const HELP: Readonly<Record<string, HelpLevel>> = {
  n: 'alone',
  alone: 'alone',
  'no help': 'alone',
  independent: 'alone',
  none: 'alone',
  w: 'words',
  words: 'words',
  verbal: 'words',
  'with words': 'words',
  pointed: 'pointed',
  pointing: 'pointed',
  gesture: 'pointed',
  s: 'shown',
  shown: 'shown',
  showed: 'shown',
  modeled: 'shown',
  model: 'shown',
  steadied: 'steadied',
  'partial physical': 'steadied',
  'arm held': 'steadied',
  'wrist held': 'steadied',
  h: 'handOverHand',
  'hand over hand': 'handOverHand',
  'full physical': 'handOverHand',
  'full physical (hand over hand)': 'handOverHand',
  hoh: 'handOverHand',
};
const EFFORT: Readonly<Record<string, Effort>> = {
  t: 'tooHard',
  hard: 'tooHard',
  'too hard': 'tooHard',
  j: 'right',
  right: 'right',
  'just right': 'right',
  ok: 'right',
  y: 'tooEasy',
  easy: 'tooEasy',
  'too easy': 'tooEasy',
};
const REASONS: Readonly<Record<string, StopReason>> = {
  tired: 'tired',
  upset: 'upset',
  refused: 'refused',
  'said no': 'refused',
  pain: 'pain',
  hurt: 'pain',
  'something hurt': 'pain',
  time: 'time',
  'no time': 'time',
  ill: 'ill',
  sick: 'ill',
  missing: 'missing',
  'things missing': 'missing',
  'too hard': 'tooHard',
  other: 'other',
};
const COUNT = /^\d{1,4}(?:[.,][05])?$/;

/** Each row as what was said, or what can't be read in it. A cell that is not understood is a finding, never a guess; an empty one was not told. */
export function readReports({ rows }: PastedTable, columns: readonly (ReportColumn | null)[], dateOrder: DateOrder): ReportRow[] {
  return rows.map((cells, index) => readRow(index + 1, (column) => cellOf(cells, columns, column) ?? '', dateOrder));
}

function readRow(number: number, cell: (column: ReportColumn) => string, order: DateOrder): ReportRow {
  const findings: ReportCellFinding[] = [];
  const miss = (column: ReportColumn, code: ReportCellFinding['code']) => {
    findings.push({ column, code, cell: cell(column).slice(0, 60) });
    return null;
  };
  const count = (column: 'amount' | 'left' | 'right' | 'minutes' | 'step', code: 'notACount' | 'notAStep' = 'notACount') => {
    const text = cell(column);
    if (text === '') return null;
    return COUNT.test(text) ? Number(text.replace(',', '.')) : miss(column, code);
  };
  const choice = <Choice>(
    column: ReportColumn,
    code: ReportCellFinding['code'],
    choices: Readonly<Record<string, Choice>>,
  ): Choice | null => {
    const said = plain(cell(column)).replace(/[-_]/g, ' ').trim();
    if (said === '') return null;
    return Object.hasOwn(choices, said) ? choices[said]! : miss(column, code);
  };
  for (const column of ['child', 'task'] as const) if (cell(column) === '') miss(column, 'missing');
  const doneOn = readDate(cell('doneOn'), order) ?? miss('doneOn', cell('doneOn') === '' ? 'missing' : 'notADate');
  const done = cell('done') === '' || (choice('done', 'notYesOrNo', DONE) ?? true);
  return {
    number,
    child: cell('child'),
    task: cell('task'),
    doneOn,
    step: count('step', 'notAStep'),
    told: {
      done,
      amount: count('amount'),
      left: count('left'),
      right: count('right'),
      minutes: count('minutes'),
      help: choice('help', 'notHelp', HELP),
      effort: choice('effort', 'notEffort', EFFORT),
      stopReason: choice('stopReason', 'notAReason', REASONS),
      words: cell('words'),
      saidBy: cell('saidBy'),
    },
    findings,
  };
}
