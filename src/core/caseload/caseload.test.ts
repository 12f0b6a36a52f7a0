import { exampleChild, exampleProgramTask } from '../../../tests/fixtures/tarrowHill';
import { adherenceRange } from '../adherence';
import { addDays, calendarDay } from '../calendar';
import type { ProgramVersion } from '../programs';
import { arrangeCaseload, caseloadDays, caseloadRow, isSilent, type CaseloadRow } from '.';
import { factsText } from './factsText';

const day = calendarDay;
const today = day('2026-11-24');
const change = (toStep: number, on: string, fromStep: number | null = null) => ({ taskId: 1, fromStep, toStep, changedOn: day(on) });
const child = exampleChild();
const task = exampleProgramTask('crane-lift');
const sent: ProgramVersion = {
  programId: 1,
  number: 1,
  startsOn: day('2026-11-18'),
  endsOn: day('2026-12-02'),
  sentOn: day('2026-11-18'),
  resumesOn: null,
  isEnded: false,
  note: '',
  tasks: [task],
};

describe('the yard', () => {
  const row = (childId: number, name: string, rest: Partial<CaseloadRow> = {}): CaseloadRow => ({
    ...caseloadRow(
      {
        child,
        current: null,
        versions: [],
        changes: [],
        reports: [],
        lastWordOn: today,
        closedTaskIds: [],
        reviewOn: null,
      },
      today,
    ),
    childId,
    name,
    ...rest,
  });
  const FACTS = { child, current: null, versions: [], changes: [], reports: [], lastWordOn: today, closedTaskIds: [], reviewOn: null };
  const options = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
  const names = (groups: ReturnType<typeof arrangeCaseload>) => groups.flatMap((group) => group.rows.map((each) => each.name));

  it('makes a row from what is known', () => {
    const made = caseloadRow(
      {
        child,
        current: sent,
        lastWordOn: day('2026-11-20'),
        closedTaskIds: [],
        reviewOn: null,
        changes: [change(3, '2026-11-18')],
        versions: [
          {
            number: 1,
            startsOn: day('2026-11-18'),
            endsOn: day('2026-12-02'),
            resumesOn: null,
            isEnded: false,
            sentOn: day('2026-11-18'),
            tasks: [{ taskId: 1, weekdays: [1, 2, 3, 4, 5], target: 10, unit: 'repetitions' }],
          },
        ],
        reports: [{ taskId: 1, doneOn: day('2026-11-19'), done: true, amount: 8, target: 10 }],
      },
      today,
    );
    expect(made).toMatchObject({
      name: 'Odalys V.',
      daysSinceWord: 4,
      daysWithoutReport: 4,
      endsOn: '2026-12-02',
      rest: null,
      practice: { dose: { tasks: [{ asked: 40, given: 8 }] }, adherence: { planned: 4, knownDone: 1, noWord: 3 } },
    });
    expect(made.timelines[0]).toMatchObject({ step: 3, daysSpent: [0, 0, 7, 0, 0, 0, 0] });
    expect(caseloadDays(today)).toHaveLength(14);
  });

  it('finds by the start of words, without regard to marks and case', () => {
    const rows = [row(1, 'Zoë K.'), row(2, 'Bram T.')];
    expect(names(arrangeCaseload(rows, { ...options, search: 'zoe' }, today))).toEqual(['Zoë K.']);
    expect(names(arrangeCaseload(rows, { ...options, search: 'nobody' }, today))).toEqual([]);
  });

  it('finds by facts: hand, mouth, allergies, languages, ways, and silence', () => {
    const PLAIN: Partial<typeof child> = {
      hand: 'right',
      mouthsThings: false,
      allergies: [],
      familyLanguage: 'en',
      homeLanguages: ['en'],
      reportWay: 'link',
      scissorsAllowed: true,
    };
    const with_ = (change: Partial<typeof child>) =>
      caseloadRow(
        {
          child: { ...child, ...PLAIN, ...change },
          current: null,
          versions: [],
          changes: [],
          reports: [],
          lastWordOn: today,
          closedTaskIds: [],
          reviewOn: null,
        },
        today,
      );
    const rows = [
      { ...with_({ hand: 'left', mouthsThings: true, reportWay: 'paper' }), name: 'A' },
      { ...with_({ hand: 'right', allergies: ['latex'], familyLanguage: 'es', homeLanguages: ['es'] }), name: 'B' },
      { ...with_({ hand: 'unsettled', scissorsAllowed: false, hasPrinter: false }), name: 'C', daysWithoutReport: 9 },
    ];
    const found = (search: string) => names(arrangeCaseload(rows, { ...options, search }, today));
    expect(['left', 'mouths', 'latex', 'Spanish', 'on paper', 'no scissors', 'not settled', 'no report'].map(found)).toEqual([
      ['A'],
      ['A'],
      ['B'],
      ['B'],
      ['A'],
      ['C'],
      ['C'],
      ['C'],
    ]);
    expect(found('no report latex')).toEqual([]);
  });

  it('finds by precautions, textures, printer, contacts and what the child likes, each a fact of its own', () => {
    const contact = {
      name: 'Rosa',
      relation: 'grandmother',
      language: 'es',
      way: 'text',
      reach: '555-0103',
    } as (typeof child.contacts)[number];
    const rich = {
      ...child,
      leaningHand: 'left' as const,
      precautions: [{ words: 'loose joints', asks: [] }],
      texturesAvoided: ['sticky' as const],
      hasPrinter: true,
      likes: 'cranes',
      contacts: [contact],
    };
    const text = factsText(rich).split(' · ');
    expect(text).toEqual(
      expect.arrayContaining(['probably left hand', 'loose joints', 'avoids sticky', 'has a printer', 'Rosa grandmother', 'cranes']),
    );
    expect(factsText({ ...rich, precautions: [], texturesAvoided: [], contacts: [], hasPrinter: false }).split(' · ')).toEqual(
      text
        .filter((fact) => !['loose joints', 'avoids sticky', 'Rosa grandmother'].includes(fact))
        .map((fact) => fact.replace('has a printer', 'no printer')),
    );
  });

  it('names the first contact with relation and address, or the way alone, or nobody', () => {
    const contactOf = (contacts: readonly object[]) =>
      row(1, 'A', { ...caseloadRow({ ...FACTS, child: { ...child, contacts: contacts as typeof child.contacts } }, today) }).contact;
    const rosa = { name: 'Rosa', relation: 'grandmother', way: 'text', reach: '555-0103' };
    expect(contactOf([rosa, { ...rosa, name: 'Luis' }])).toBe('Rosa (grandmother), 555-0103');
    expect(contactOf([{ ...rosa, relation: 'Rosa', reach: '' }])).toBe('Rosa, text');
    expect(contactOf([{ ...rosa, relation: '' }])).toBe('Rosa, 555-0103');
    expect(contactOf([])).toBe('');
  });

  it('filters those who had difficulty: one day partly done or not done is enough, a day without a report is not', () => {
    const days = (...words: readonly ('saidNotDone' | 'partly' | 'done' | 'noWord')[]) => ({
      ...row(1, 'x').practice,
      days: words.map((word, index) => ({ ...row(1, 'x').practice.days[0]!, day: addDays(today, -index), word })),
    });
    const rows = [
      row(1, 'refused', { practice: days('done', 'saidNotDone') as CaseloadRow['practice'] }),
      row(2, 'partly', { practice: days('partly', 'done') as CaseloadRow['practice'] }),
      row(3, 'all done', { practice: days('done', 'done') as CaseloadRow['practice'] }),
      row(4, 'silent', { practice: days('noWord') as CaseloadRow['practice'] }),
    ];
    expect(names(arrangeCaseload(rows, { ...options, filter: 'struggling' }, today))).toEqual(['partly', 'refused']);
  });

  it('counts as silent from the seventh day without a report, where one is expected', () => {
    const after = (daysWithoutReport: number | null) => isSilent({ daysWithoutReport });
    expect([null, 0, 6, 7, 8].map(after)).toEqual([false, false, false, true, true]);
  });

  it('finds several words in any order and with any space between, beside the words for silence', () => {
    const rows = [row(1, 'Zoë K.', { facts: 'left hand', daysWithoutReport: 8 }), row(2, 'Bram T.', { facts: 'left hand' })];
    const found = (search: string) => names(arrangeCaseload(rows, { ...options, search }, today));
    expect([found('left   zoe'), found('  left '), found('left no report'), found('zoe bram')]).toEqual([
      ['Zoë K.'],
      ['Bram T.', 'Zoë K.'],
      ['Zoë K.'],
      [],
    ]);
  });

  it('looks back a fortnight, or two', () => {
    expect(caseloadDays(today, 28)).toHaveLength(28);
    expect(caseloadDays(today, 28).at(-1)).toBe(today);
  });

  it('sorts, filters and groups', () => {
    const rows = [
      row(1, 'B', { daysSinceWord: 9, daysWithoutReport: 9, school: 'Y' }),
      row(2, 'A', { daysSinceWord: 0, school: 'Z' }),
      row(3, 'C', { daysSinceWord: null, daysWithoutReport: 7, school: 'Y', endsOn: day('2026-11-29') }),
    ];
    expect(names(arrangeCaseload(rows, options, today))).toEqual(['A', 'B', 'C']);
    expect(names(arrangeCaseload(rows, { ...options, sort: 'word' }, today))).toEqual(['C', 'B', 'A']);
    expect(names(arrangeCaseload(rows, { ...options, filter: 'silent' }, today))).toEqual(['B', 'C']);
    expect(names(arrangeCaseload(rows, { ...options, filter: 'ending' }, today))).toEqual(['C']);
    const rest = { kind: 'ended' } as const;
    expect(
      names(arrangeCaseload([row(1, 'B', { rest, daysSinceWord: 9, daysWithoutReport: null })], { ...options, filter: 'silent' }, today)),
    ).toEqual([]);
    expect(names(arrangeCaseload([row(3, 'C', { rest, endsOn: day('2026-11-29') })], { ...options, filter: 'ending' }, today))).toEqual([]);
    const ends = (days: number) =>
      arrangeCaseload([row(1, 'A', { endsOn: addDays(today, days) })], { ...options, filter: 'ending' }, today);
    expect([names(ends(5)), names(ends(6))]).toEqual([['A'], []]);
    expect(names(arrangeCaseload(rows, { ...options, school: 'Z' }, today))).toEqual(['A']);
    expect(arrangeCaseload(rows, { ...options, bySchool: true }, today).map((group) => [group.title, group.rows.length])).toEqual([
      ['Y', 2],
      ['Z', 1],
    ]);
  });

  it('sorts by what is known, never by one end of a range alone (B5)', () => {
    const practised = (planned: number, knownDone: number, saidNotDone: number) => ({
      ...row(1, 'x').practice,
      adherence: adherenceRange({ planned, knownDone, saidNotDone }),
    });
    const rows = [
      row(1, 'both done', { practice: practised(2, 2, 0) }),
      row(2, 'no word at all', { practice: practised(2, 0, 0) }),
      row(3, 'said not done', { practice: practised(2, 0, 2) }),
      row(4, 'half known', { practice: practised(2, 1, 1) }),
      row(5, 'half known, half open', { practice: practised(2, 1, 0) }),
    ];
    expect(names(arrangeCaseload(rows, { ...options, sort: 'practised' }, today))).toEqual([
      'said not done',
      'no word at all',
      'half known',
      'half known, half open',
      'both done',
    ]);
  });

  it('sorts by the share of the dose', () => {
    const given = (share: number | null) => ({ ...row(1, 'x').practice, dose: { tasks: [], share, uncounted: 0 } });
    const rows = [
      row(1, 'all', { practice: given(1) }),
      row(2, 'none asked', { practice: given(null) }),
      row(3, 'some', { practice: given(0.4) }),
    ];
    expect(names(arrangeCaseload(rows, { ...options, sort: 'dose' }, today))).toEqual(['none asked', 'some', 'all']);
  });

  it('refuses a task on a step that its ladder does not have', () => {
    const input = {
      child,
      current: { ...sent, tasks: [{ ...task, step: 9 }] },
      versions: [],
      changes: [],
      reports: [],
      lastWordOn: null,
      closedTaskIds: [],
      reviewOn: null,
    };
    expect(() => caseloadRow(input, today)).toThrow(RangeError);
  });
});
