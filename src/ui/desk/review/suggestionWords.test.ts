import { RULES, type Suggestion } from '@/core/stepRules';
import { DEFAULT_STREAK } from '../../../core/stepRules/rules';
import type { ProgramTask } from '@/core/programs';
import type { Decision, DecisionKind } from '@/core/review';
import { loadLibrary } from '../../../../library/loadLibrary';
import { afterLadder, decisionTitle, decisionWhy, movedKnobs } from './suggestionWords';

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
  weekdays: [1],
  dose: content.dose,
  target: 10,
  stepSinceVersion: 1,
};

function suggestion(move: Suggestion['move'], toStep: number): Suggestion {
  return {
    move,
    toStep,
    rule: { name: 'streak', settings: DEFAULT_STREAK },
    evidence: { reportIds: [1, 2, 3], sessionsAtStep: 4, reachedInARow: 3, reachedOnDays: 2, struggledInARow: 2 },
    whatWouldChange: { code: 'oneNotReached' },
  };
}

function decision(kind: DecisionKind, rest: Partial<Decision> = {}): Decision {
  return { key: 'k', kind, childId: 1, taskId: 1, reportIds: [], textIds: [], clipIds: [], suggestion: null, days: null, ...rest };
}

describe('a decision in words', () => {
  it.each([
    [decision('ready', { suggestion: suggestion('up', 4) }), 'Step up to 4, across the middle'],
    [decision('tooHard', { suggestion: suggestion('down', 2) }), 'Step down to 2, one hand'],
    [decision('ladderEnd', { suggestion: suggestion('ladderEnd', 3) }), 'The top of this ladder'],
    [decision('quiet', { days: 9 }), 'No report for 9 days'],
    [decision('ending', { days: 1 }), 'Ends in 1 day'],
    [decision('ended', { days: 2 }), 'Ended 2 days ago'],
    [decision('neverOpened', { days: 4 }), 'The link was never opened'],
    [decision('safetyWord'), 'Something hurt'],
    [decision('question'), 'The family has a question'],
  ])('has a title', (given, title) => {
    expect(decisionTitle(given, task)).toBe(title);
  });

  it('tells the rule, what it counted and what would have changed it', () => {
    const { why, otherwise } = decisionWhy(decision('ready', { suggestion: suggestion('up', 4) }));
    expect(why).toBe('Met the target in 3 sessions in a row, on 2 days. The rule asks for 3 on 2 days.');
    expect(otherwise).toBe('If one of the last 3 sessions had missed the target, the rule would suggest staying at this step.');
    expect(decisionWhy(decision('tooHard', { suggestion: suggestion('down', 2) })).why).toContain(
      'Had difficulty in 2 sessions in a row. The rule asks for 2 on 2 days',
    );
  });

  it('never calls no word "not done"', () => {
    expect(decisionWhy(decision('quiet', { days: 9 })).why).toContain('No report is not the same as not done');
  });

  it('names the knob that moves, from which level to which', () => {
    expect(movedKnobs(task, 3, 4)).toEqual(['position: box just past the middle → box far across']);
    expect(movedKnobs(task, 3, 3)).toEqual([]);
    expect(movedKnobs(task, 3, 99)).toEqual([]);
  });
});

describe('after a ladder', () => {
  const at = (slug: string, settings = {}) => ({
    ...task,
    content: loadLibrary().find((each) => each.slug === slug)!,
    choices: { settings },
  });

  it('a task leads on to where its skill is used next, and most lead nowhere of their own', () => {
    expect(afterLadder(at('slot-box'))).toEqual([{ words: 'Leads to buttons.', slug: 'vest-buttons' }]);
    expect(afterLadder(at('draw-round-the-parts')).map(({ slug }) => slug)).toEqual(['job-folder', 'cut-the-planks']);
    expect(afterLadder(task)).toEqual([]);
    expect(afterLadder(null)).toEqual([]);
  });

  it('a shape leads to the next of the school’s order, which is named', () => {
    const [next] = afterLadder(at('shape-circle', { shapeOrder: 'crossingsFirst' }));
    expect(next).toMatchObject({ slug: 'shape-triangle' });
    expect(next!.words).toMatch(/^Next in this school’s order \(.+\): /);
  });
});

describe('the other rules say what they counted', () => {
  const by = (rule: Suggestion['rule'], move: 'up' | 'down') => {
    const last = { sessions: 5, reached: 4, struggled: 3, onDays: 4, meanSuccess: move === 'up' ? 0.88 : 0.52 };
    const given = suggestion(move, move === 'up' ? 4 : 2);
    return decisionWhy(
      decision(move === 'up' ? 'ready' : 'tooHard', { suggestion: { ...given, rule, evidence: { ...given.evidence, last } } }),
    );
  };

  it.each([
    [
      'mOfN',
      'up',
      'Met the target in 4 of the last 5 sessions, on 4 days. The rule asks for 4 of 5.',
      'With fewer than 4 sessions on target, the rule would suggest staying at this step.',
    ],
    [
      'mOfN',
      'down',
      'Had difficulty in 3 of the last 5 sessions. The rule asks for 3 of 5.',
      'With fewer than 3 difficult sessions, the rule would suggest staying at this step.',
    ],
    [
      'band',
      'up',
      'Average success: 88% of the target over 5 sessions, on 4 days. The rule goes up above 85%.',
      'Between 70% and 85%, the rule would suggest staying at this step.',
    ],
    [
      'band',
      'down',
      'Average success: 52% of the target over 5 sessions, on 4 days. The rule goes down under 70%.',
      'Between 70% and 85%, the rule would suggest staying at this step.',
    ],
  ] as const)('%s %s', (name, move, why, otherwise) => {
    const told = by(RULES[name], move);
    expect(told.why.startsWith(why)).toBe(true);
    expect(told.otherwise).toBe(otherwise);
  });
});
