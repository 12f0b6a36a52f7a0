import { renderToStaticMarkup } from 'react-dom/server';
import { practiceOf } from '@/core/adherence';
import { caseloadDays, type CaseloadRow } from '@/core/caseload';
import { EMPTY_RECORD, type Child } from '@/core/students';
import { calendarDay, instant } from '@/core/calendar';
import { exampleReport, stockTask } from '../../../../tests/fixtures/tarrowHill';
import { ChildFacts } from './ChildFacts';
import { CardList } from '../review/CardList';
import type { LoggedReport } from '@/server/reports/loggedReports';
import { ReportTable } from './ReportTable';
import { caseloadSheet } from '../caseload/caseloadSheet';
import { CaseloadTable } from '../caseload/CaseloadTable.client';

const today = calendarDay('2026-11-24');
const content = stockTask('crane-lift');

const report: LoggedReport = { ...exampleReport({ step: 3, help: 'alone' }), outcome: 'reached', content };
const table = (change: Partial<LoggedReport>) => renderToStaticMarkup(<ReportTable reports={[{ ...report, ...change }]} withTask />);

describe('the table of reports', () => {
  it('tells counts by hand, help and step in words', () => {
    const drawn = table({});
    expect(drawn).toContain('9 of 10');
    expect(drawn).toContain('left 5, right 4');
    expect(drawn).toContain('3 clothespins');
    expect(drawn).toContain('Tue, Nov 24');
    expect(drawn).toContain('<span class="sr-only">reached</span>');
  });

  it('shows the family’s words as they were written, and never as markup', () => {
    const drawn = table({ words: '<script>alert(1)</script> مرحبا 👩‍👧' });
    expect(drawn).toContain('&lt;script&gt;alert(1)&lt;/script&gt; مرحبا 👩‍👧');
    expect(drawn).toContain('dir="auto"');
  });

  it('cuts a very long text on the screen', () => {
    expect(table({ words: 'a'.repeat(2000) })).toContain(`${'a'.repeat(300)}…`);
  });

  it('marks what hurts, what asks, what was put right', () => {
    expect(table({ danger: 'told', holds: true })).toContain('Something hurt. The task is on hold.');
    expect(table({ danger: 'words' })).toContain('Possible injury, from the comment.');
    expect(table({ danger: 'pressed', mistake: true })).toContain('pressed by mistake');
    expect(table({ isQuestion: true })).toContain('Question: ');
    expect(table({ correctedAt: instant(1) })).toContain('corrected');
  });

  it('says "reported not done" for a day that was refused, and dashes for what was not told', () => {
    const drawn = table({ done: false, outcome: 'saidNotDone', help: null, effort: null, left: 0, right: 0 });
    expect(drawn).toContain('reported not done');
    expect(drawn).not.toContain('0 of 10');
    expect(renderToStaticMarkup(<ReportTable reports={[]} withTask={false} />)).toContain('No reports yet.');
  });
});

describe('the yard’s table', () => {
  const row: CaseloadRow = {
    childId: 7,
    name: 'Bram T.',
    school: 'Slateway Elementary School',
    facts: '',
    visitDays: 'Mon',
    timelines: [
      {
        taskId: 1,
        title: content.title,
        skill: content.skill,
        stepName: { en: 'pegs', es: 'ganchos' },
        step: 3,
        demands: [0, 1, 2],
        daysSpent: [1, 2, 3],
        closed: false,
      },
    ],
    practice: practiceOf(
      caseloadDays(today),
      [{ from: today, to: today, tasks: [{ taskId: 1, weekdays: [2], target: 10, unit: 'repetitions' }] }],
      [],
      calendarDay('2026-11-25'),
    ),
    daysSinceWord: null,
    daysWithoutReport: null,
    reviewOn: null,
    contact: '',
    endsOn: null,
    rest: null,
  };
  const sheetOf = (each: CaseloadRow) =>
    renderToStaticMarkup(
      <CaseloadTable
        sheet={caseloadSheet(caseloadDays(today), [{ title: 'Slateway Elementary School', visitDays: 'Mon', rows: [each] }])}
      />,
    );
  const drawn = sheetOf(row);

  it('shows a child with its flight, its range and its last report', () => {
    expect(drawn).toContain('href="/students/7"');
    expect(drawn).toContain('Crane lift: step 3 of 3, pegs');
    expect(drawn).toContain('0–100%');
    expect(drawn).toContain('>never<');
    expect(drawn).toContain('Crane lift: 0 of 10 repetitions');
    expect(drawn).toContain('1 no report');
  });

  it('tells a rest and an end where it would tell silence', () => {
    const with_ = (rest: CaseloadRow['rest']) => sheetOf({ ...row, rest });
    expect(with_({ kind: 'until', day: calendarDay('2026-12-07') })).toContain('paused until Mon, Dec 7');
    expect(with_({ kind: 'ended' })).toContain('home practice ended');
    expect(with_({ kind: 'ended' })).not.toContain('text-brick');
    expect(sheetOf(row)).not.toContain('text-brick');
    expect(sheetOf({ ...row, daysWithoutReport: 7 })).toContain('text-brick');
  });

  it('says so where there is no program', () => {
    expect(sheetOf({ ...row, timelines: [] })).toContain('no program yet');
  });
});

describe('the fence', () => {
  const post = (state: 'settled' | 'here' | 'urgent' | 'open') => ({
    state,
    label: `${state} one`,
    href: state === 'settled' ? null : `/review?at=${state}`,
  });

  it('links every post but the settled ones, and says where one stands', () => {
    const drawn = renderToStaticMarkup(<CardList posts={[post('settled'), post('here'), post('urgent'), post('open')]} />);
    expect(drawn.match(/<a /g)).toHaveLength(3);
    expect(drawn).toContain('aria-label="settled one"');
    expect(drawn.match(/aria-current="step"/g)).toHaveLength(1);
  });
});

describe('the facts of a child', () => {
  const child: Child = {
    ...EMPTY_RECORD,
    leftOn: null,
    id: 1,
    calledName: 'Odalys',
    initial: 'V',
    school: 'Millbeck Early Learning Center',
    visitDays: '',
    bornOn: calendarDay('2021-09-20'),
    taskSettings: {},
    hand: 'unsettled',
    mouthsThings: true,
    scissorsAllowed: false,
    hasPrinter: false,
    minutesPerDay: 15,
    familyLanguage: 'es',
    homeLanguages: ['es', 'xx'],
    allergies: ['wheat'],
    texturesAvoided: ['sticky'],
    materialsAtHome: [],
    helpers: '',
    reportWay: 'link',
    timeZone: 'America/Denver',
  };

  it('underline what changes decisions, and leave the rest plain', () => {
    const drawn = renderToStaticMarkup(<ChildFacts child={child} today={today} />);
    for (const fact of ['5 y 2 m', 'hand preference not established', 'mouths objects', 'wheat', 'no scissors', 'avoids sticky']) {
      expect(drawn).toContain(`<span class="fact">${fact}</span>`);
    }
    expect(drawn).toContain('Spanish and xx at home');
    expect(drawn).toContain('no printer');
  });
});
