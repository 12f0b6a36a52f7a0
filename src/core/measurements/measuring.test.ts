import { measurementSchema } from '.';

const seen = {
  goalId: null,
  taskId: null,
  step: null,
  measuredOn: '2026-11-24',
  good: null,
  trials: null,
  help: null,
  minutes: null,
  watched: {},
  note: '',
};
const issues = (change: object) => {
  const read = measurementSchema.safeParse({ ...seen, ...change });
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

describe('what was measured at school', () => {
  it.each([
    { good: 4, trials: 5 },
    { good: 0, trials: 5 },
    { help: 'words' },
    { minutes: 2.5 },
    { note: 'held the pencil in three fingers' },
    { watched: { thumbUp: 'yes' } },
    { good: 4, trials: 5, taskId: 3, step: 2 },
  ])('%j is one', (change) => expect(issues(change)).toEqual([]));

  it.each([
    [{}, 'note: nothingMeasured'],
    [{ good: 6, trials: 5 }, 'good: goodOverTrials'],
    [{ good: 3 }, 'trials: trialsMissing'],
    [{ trials: 3 }, 'good: goodMissing'],
    [{ good: 0, trials: 0 }, 'trials: noTrials'],
    [{ good: 1.5, trials: 5 }, 'good: notWhole'],
    [{ step: 2, note: 'x' }, 'step: stepWithoutTask'],
    [{ measuredOn: '2026-02-30', note: 'x' }, 'measuredOn: notACalendarDay'],
  ] as const)('%j is none', (change, fault) => expect(issues(change)).toContain(fault));

  it('takes a level of a goal, and none without the goal whose level it is', () => {
    expect(issues({ level: 2, goalId: 5 })).toEqual([]);
    expect(issues({ level: 2 })).toEqual(['level: levelWithoutGoal']);
  });

  it('keeps of what was watched for only what is a thing to look for and an answer to it', () => {
    const { watched } = measurementSchema.parse({ ...seen, watched: { thumbUp: 'yes', pressure: 'purple', __proto__: 'x', other: 'yes' } });
    expect(watched).toEqual({ thumbUp: 'yes' });
  });
});
