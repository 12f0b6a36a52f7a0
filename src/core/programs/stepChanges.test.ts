import { calendarDay } from '../calendar';
import { draftFrom, givenTask, plannedSpans, restOf, type ProgramVersion, type SentVersion } from '.';
import { atStep, standsAs, stepTakenBack, toFreeze } from './stepChanges';
import { exampleProgramTask, stockTask } from '../../../tests/fixtures/tarrowHill';

const task = exampleProgramTask('crane-lift', { step: 3, chooseFrom: 2, chooseTo: 4 });
const last = task.content.ladder.steps.length;

describe('a task at another step', () => {
  it('moves the family’s choice along, and never off the ladder', () => {
    expect(atStep(task, 4, 2)).toMatchObject({ step: 4, chooseFrom: 3, chooseTo: 5, stepSinceVersion: 2 });
    expect(atStep(task, 1, 2)).toMatchObject({ step: 1, chooseFrom: 1, chooseTo: 2 });
    expect(atStep(task, last, 2)).toMatchObject({ step: last, chooseFrom: last - 1, chooseTo: last });
  });

  it('is taken back by step, choice and evidence mark alone (P1)', () => {
    const moved = { ...atStep(task, 4, 2), dose: { ...task.dose, rounds: 3 }, weekdays: [1] };
    expect(stepTakenBack(moved, task)).toEqual({ ...task, dose: moved.dose, target: 30, weekdays: [1] });
  });

  it.each([
    ['dose', { dose: { ...task.dose, rounds: 9 } }],
    ['days', { weekdays: [2] }],
    ['settings', { choices: { settings: { hands: 'preferred' as const } } }],
    ['step', { step: 4 }],
    ['evidence mark', { stepSinceVersion: 9 }],
    ['version of the task', { taskVersionId: 9 }],
  ])('stands no longer as it was left where its %s was set anew', (_what, change) => {
    expect(standsAs({ ...task, versionTaskId: 99 }, task)).toBe(true);
    expect(standsAs({ ...task, ...change }, task)).toBe(false);
  });
});

describe('what a version freezes', () => {
  const child = { ageYears: 5, taskSettings: {}, materialsAtHome: [] } as never;
  const placed = { taskId: task.taskId, taskVersionId: 7, content: task.content };
  const planned = { ...task, weekdays: [5, 1, 3] };

  it('has its weekdays in order, its target by the day, and the mark of the version that set its step', () => {
    const frozen = toFreeze(planned, placed, child, null, 4);
    expect(frozen).toMatchObject({ taskVersionId: 7, weekdays: [1, 3, 5], stepSinceVersion: 4, target: task.target });
  });

  it('goes on with the evidence where the step goes on', () => {
    const before = { tasks: [{ ...task, stepSinceVersion: 2 }] } as unknown as ProgramVersion;
    expect(toFreeze(planned, placed, child, before, 4).stepSinceVersion).toBe(2);
    expect(toFreeze({ ...planned, step: 4 }, placed, child, before, 4).stepSinceVersion).toBe(4);
  });
});

describe('the next draft', () => {
  const today = calendarDay('2026-11-24');

  it('goes on from what was sent, for a fortnight from today, without what was frozen of the home', () => {
    const sent = { ...task, choices: { replaced: { washers: 'bottle-caps' }, childSettings: {}, settings: {} } };
    const draft = draftFrom({ note: 'Well done', tasks: [sent] } as unknown as ProgramVersion, today);
    expect(draft).toMatchObject({ startsOn: today, endsOn: '2026-12-07', note: 'Well done' });
    expect(draft.tasks[0]!.choices).toEqual({ settings: {}, replaced: undefined, childSettings: undefined });
    expect(draftFrom(null, today).tasks).toEqual([]);
  });
});

describe('what a child is given', () => {
  it('is reckoned once for each content and choice', () => {
    const content = stockTask('crane-lift');
    const given = givenTask(content, { skin: undefined });
    expect(givenTask(content, { skin: undefined })).toBe(given);
    expect(givenTask({ ...content }, { skin: undefined })).not.toBe(given);
    expect(givenTask(content, { settings: { hands: 'preferred' } }).dose.hands).not.toBe(given.dose.hands);
  });
});

describe('the days for which versions held', () => {
  const version = (number: number, startsOn: string, endsOn: string, sentOn = startsOn): SentVersion => ({
    number,
    startsOn: calendarDay(startsOn),
    endsOn: calendarDay(endsOn),
    resumesOn: null,
    isEnded: false,
    sentOn: calendarDay(sentOn),
    tasks: [],
  });
  const spans = (...versions: SentVersion[]) => plannedSpans(versions).map(({ from, to }) => [from, to]);

  it('a rest asks for nothing till it goes on, and an end by a person for nothing at all', () => {
    const before = version(1, '2026-11-01', '2026-11-30');
    const resting = { ...version(2, '2026-11-01', '2026-12-10', '2026-11-12'), resumesOn: calendarDay('2026-11-23') };
    expect(spans(before, resting)).toEqual([
      ['2026-11-01', '2026-11-11'],
      ['2026-11-23', '2026-12-10'],
    ]);
    const ended = { ...version(2, '2026-11-01', '2026-11-12', '2026-11-12'), isEnded: true };
    expect(spans(before, ended)).toEqual([['2026-11-01', '2026-11-11']]);
    expect(restOf(resting, calendarDay('2026-11-22'))).toEqual({ kind: 'until', day: '2026-11-23' });
    expect([restOf(resting, calendarDay('2026-11-23')), restOf(before, before.endsOn), restOf(ended, ended.endsOn)]).toEqual([
      null,
      null,
      { kind: 'ended' },
    ]);
  });

  it('a version sent ahead leaves the one before it in force until its start (B2)', () => {
    expect(spans(version(1, '2026-11-01', '2026-11-30'), version(2, '2026-11-16', '2026-12-15', '2026-11-10'))).toEqual([
      ['2026-11-01', '2026-11-15'],
      ['2026-11-16', '2026-12-15'],
    ]);
  });

  it('a version that says it began before it was sent holds from its sending', () => {
    expect(spans(version(1, '2026-11-01', '2026-11-30'), version(2, '2026-11-05', '2026-12-05', '2026-11-10'))).toEqual([
      ['2026-11-01', '2026-11-09'],
      ['2026-11-10', '2026-12-05'],
    ]);
  });
});
