import { loadLibrary } from '../../../library/loadLibrary';
import { calendarDay } from '../calendar';
import {
  arrangeYard,
  daysAtSteps,
  demandsOf,
  factsOf,
  nameOf,
  plannedSpans,
  stepName,
  taskFlight,
  yardDays,
  yardRow,
  type Child,
  type ProgramTask,
  type YardRow,
} from '.';

const day = calendarDay;
const today = day('2026-11-24');
const change = (toStep: number, on: string, fromStep: number | null = null) => ({ taskId: 1, fromStep, toStep, changedOn: day(on) });
const child: Child = {
  id: 1,
  calledName: 'Odalys',
  initial: 'V',
  school: 'Millbeck Early Years',
  visitDays: 'Tue, Thu',
  bornOn: day('2021-09-20'),
  hand: 'left',
  mouthsThings: true,
  scissorsAllowed: true,
  hasPrinter: false,
  minutesPerDay: 15,
  familyLanguage: 'es',
  homeLanguages: ['es'],
  allergies: ['wheat'],
  texturesAvoided: [],
  materialsAtHome: [],
  helpers: '',
  reportWay: 'link',
  timeZone: 'America/Denver',
  taskSettings: {},
};
const content = loadLibrary().find((task) => task.slug === 'crane-lift')!;
const task: ProgramTask = {
  versionTaskId: 1,
  taskId: 1,
  taskVersionId: 1,
  content,
  choices: {},
  part: 'tableWork',
  step: 3,
  chooseFrom: 2,
  chooseTo: 4,
  weekdays: [1, 2, 3, 4, 5],
  dose: content.dose,
  target: 10,
  stepSinceVersion: 1,
};

describe('days at each step', () => {
  it('counts from change to change, today included', () => {
    expect(daysAtSteps([change(2, '2026-11-01'), change(3, '2026-11-08', 2)], 4, day('2026-11-10'))).toEqual([0, 7, 3, 0]);
  });

  it('adds up stays at the same step, and gives none to a change taken back on its day', () => {
    expect(
      daysAtSteps(
        [change(2, '2026-11-01'), change(3, '2026-11-05'), change(2, '2026-11-05'), change(3, '2026-11-07')],
        3,
        day('2026-11-07'),
      ),
    ).toEqual([0, 6, 1]);
  });
});

describe('spans of versions', () => {
  const version = (number: number, sentOn: string) => ({
    number,
    startsOn: day('2026-11-02'),
    endsOn: day('2026-11-30'),
    sentOn: day(sentOn),
    tasks: [],
  });

  it('end the day before the next version was sent, and begin when they were sent', () => {
    expect(plannedSpans([version(2, '2026-11-09'), version(1, '2026-11-01')]).map(({ from, to }) => [from, to])).toEqual([
      ['2026-11-02', '2026-11-08'],
      ['2026-11-09', '2026-11-30'],
    ]);
  });

  it('are empty for a version replaced on its own day', () => {
    const [first] = plannedSpans([version(1, '2026-11-09'), version(2, '2026-11-09')]);
    expect(first!.to < first!.from).toBe(true);
  });
});

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

describe('a task in a program', () => {
  it('gives its flight: outcomes under the step that was done', () => {
    const session = {
      reportId: 1,
      doneOn: today,
      versionNumber: 1,
      target: 10,
      done: true,
      help: null,
      effort: null,
      stopReason: null,
      safetyWord: false,
    };
    const flight = taskFlight(
      task,
      [change(3, '2026-11-20')],
      [
        { ...session, step: 2, amount: 9 },
        { ...session, step: 3, amount: 3 },
      ],
      today,
    );
    expect(flight.outcomes.map((list) => list.length)).toEqual([0, 1, 1, 0, 0, 0, 0]);
    expect(flight).toMatchObject({ currentStep: 3, choose: { from: 2, to: 4 }, demands: demandsOf(content) });
  });

  it('names its steps and the child’s facts', () => {
    expect(stepName(content, 3).en).toBe('pegs');
    expect(() => stepName(content, 9)).toThrow(RangeError);
    expect(factsOf(child, today)).toMatchObject({ ageYears: 5, mouthsThings: true });
    expect(nameOf(child)).toBe('Odalys V.');
  });
});
