import { exampleChild, exampleProgramTask } from '../../../tests/fixtures/tarrowHill';
import { calendarDay } from '../calendar';
import { arrangeYard, yardDays, yardRow, type YardRow } from '.';

const day = calendarDay;
const today = day('2026-11-24');
const change = (toStep: number, on: string, fromStep: number | null = null) => ({ taskId: 1, fromStep, toStep, changedOn: day(on) });
const child = exampleChild();
const task = exampleProgramTask('crane-lift');

describe('the yard', () => {
  const row = (childId: number, name: string, rest: Partial<YardRow> = {}): YardRow => ({
    ...yardRow({ child, tasks: [], endsOn: null, versions: [], changes: [], reports: [], lastWordOn: today }, today),
    childId,
    name,
    ...rest,
  });
  const wish = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
  const names = (groups: ReturnType<typeof arrangeYard>) => groups.flatMap((group) => group.rows.map((each) => each.name));

  it('makes a row from what is known', () => {
    const made = yardRow(
      {
        child,
        tasks: [task],
        endsOn: day('2026-12-02'),
        lastWordOn: day('2026-11-20'),
        changes: [change(3, '2026-11-18')],
        versions: [
          {
            number: 1,
            startsOn: day('2026-11-18'),
            endsOn: day('2026-12-02'),
            sentOn: day('2026-11-18'),
            tasks: [{ taskId: 1, weekdays: [1, 2, 3, 4, 5], target: 10 }],
          },
        ],
        reports: [{ taskId: 1, doneOn: day('2026-11-19'), done: true, amount: 8 }],
      },
      today,
    );
    expect(made).toMatchObject({
      name: 'Odalys V.',
      daysSinceWord: 4,
      practice: { amountGiven: 8, amountAsked: 50, adherence: { planned: 5, knownDone: 1, noWord: 4 } },
    });
    expect(made.flights[0]).toMatchObject({ step: 3, daysSpent: [0, 0, 7, 0, 0, 0, 0] });
    expect(yardDays(today)).toHaveLength(14);
  });

  it('finds by the start of words, without regard to marks and case', () => {
    const rows = [row(1, 'Zoë K.'), row(2, 'Bram T.')];
    expect(names(arrangeYard(rows, { ...wish, search: 'zoe' }, today))).toEqual(['Zoë K.']);
    expect(names(arrangeYard(rows, { ...wish, search: 'nobody' }, today))).toEqual([]);
  });

  it('sorts, filters and groups', () => {
    const rows = [
      row(1, 'B', { daysSinceWord: 9, school: 'Y' }),
      row(2, 'A', { daysSinceWord: 0, school: 'Z' }),
      row(3, 'C', { daysSinceWord: null, school: 'Y', endsOn: day('2026-11-29') }),
    ];
    expect(names(arrangeYard(rows, wish, today))).toEqual(['A', 'B', 'C']);
    expect(names(arrangeYard(rows, { ...wish, sort: 'word' }, today))).toEqual(['C', 'B', 'A']);
    expect(names(arrangeYard(rows, { ...wish, filter: 'silent' }, today))).toEqual(['B', 'C']);
    expect(names(arrangeYard(rows, { ...wish, filter: 'ending' }, today))).toEqual(['C']);
    expect(names(arrangeYard(rows, { ...wish, school: 'Z' }, today))).toEqual(['A']);
    expect(arrangeYard(rows, { ...wish, bySchool: true }, today).map((group) => [group.title, group.rows.length])).toEqual([
      ['Y', 2],
      ['Z', 1],
    ]);
  });
});
