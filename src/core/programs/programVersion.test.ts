import { exampleProgramTask } from '../../../tests/fixtures/tarrowHill';
import { calendarDay } from '../calendar';
import { daysAtSteps, demandsOf, plannedSpans, stepName, stepTimeline } from '.';

const day = calendarDay;
const today = day('2026-11-24');
const change = (toStep: number, on: string, fromStep: number | null = null) => ({ taskId: 1, fromStep, toStep, changedOn: day(on) });
const task = exampleProgramTask('crane-lift');
const { content } = task;

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
    resumesOn: null,
    isEnded: false,
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
    const timeline = stepTimeline(
      task,
      [change(3, '2026-11-20')],
      [
        { ...session, step: 2, amount: 9 },
        { ...session, step: 3, amount: 3 },
      ],
      today,
    );
    expect(timeline.outcomes.map((list) => list.length)).toEqual([0, 1, 1, 0, 0, 0, 0]);
    expect(timeline).toMatchObject({ currentStep: 3, choose: { from: 2, to: 4 }, demands: demandsOf(content) });
  });

  it('names its steps', () => {
    expect(stepName(content, 3).en).toBe('clothespins');
    expect(() => stepName(content, 9)).toThrow(RangeError);
  });
});

it('the flight of a task runs level where a substitute levels its steps, and never falls', () => {
  const knobs = [{ knob: 'itemSize', levels: [{ en: 'big' }, { en: 'small' }, { en: 'tiny' }] }] as const;
  const step = (itemSize: number) => ({ name: { en: 'x' }, how: { en: 'x' }, grade: { itemSize } });
  const content = { knobs, ladder: { steps: [step(0), step(2), step(1), step(2)], startStep: 1 } };
  const demands = demandsOf(content as never);
  expect(demands[2]).toBe(demands[1]);
  expect([...demands].sort((a, b) => a - b)).toEqual(demands);
});
