import { calendarDay } from '../calendar';
import { SKILLS } from '../vocabulary';
import { aimAt, GOAL_PATTERNS, goalSchema } from '.';

const tongs = {
  skill: 'forceModulation',
  statement: 'Carries pegs with tongs and drops none',
  measure: { kind: 'count', of: 10, from: 3, to: 8, baselineOn: '2026-09-01' },
  mostHelp: 'words',
  sessions: 3,
  reviewOn: '2026-09-11',
  taskIds: [4, 4, 9],
};
const codes = (raw: unknown) => {
  const read = goalSchema.safeParse(raw);
  return read.success ? [] : read.error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`);
};
const withMeasure = (measure: object) => codes({ ...tongs, measure: { ...tongs.measure, ...measure } });

describe('a goal', () => {
  it('has measurable parts, and names each task once', () => {
    expect(codes(tongs)).toEqual([]);
    expect(goalSchema.parse(tongs).taskIds).toEqual([4, 9]);
  });

  it.each([
    [{ to: 3 }, 'measure.to criterionNotAbove'],
    [{ to: 2 }, 'measure.to criterionNotAbove'],
    [{ to: 11 }, 'measure.to criterionOver'],
    [{ from: -1 }, 'measure.from notAnAmount'],
    [{ baselineOn: '2026-09-11' }, 'reviewOn reviewBeforeBaseline'],
    [{ baselineOn: '2026-02-30' }, 'measure.baselineOn notACalendarDay'],
  ])('that says %j is refused: %s', (measure, told) => {
    expect(withMeasure(measure)).toContain(told);
  });

  it('may ask for less help, by the order of help, or for a level in own words', () => {
    const reviewOn = { reviewOn: '2027-01-01' };
    const helped = (from: string, to: string) =>
      codes({ ...tongs, ...reviewOn, measure: { kind: 'help', from, to, baselineOn: '2026-09-01' } });
    expect(helped('handOverHand', 'alone')).toEqual([]);
    expect(helped('alone', 'words')).toEqual(['measure.to criterionNotAbove']);
    const levels = ['turns away', 'one fingertip', 'whole hand'];
    const rated = (to: number, from = 0) =>
      codes({ ...tongs, ...reviewOn, measure: { kind: 'rating', levels, from, to, baselineOn: '2026-09-01' } });
    expect([rated(2), rated(3)]).toEqual([[], ['measure.to criterionOver']]);
    expect(rated(2, -1)).toHaveLength(1);
    expect(rated(2, 0.5)).toHaveLength(1);
  });
});

it('a goal in words alone, from a file, is taken as it stands', () => {
  expect(codes({ ...tongs, measure: { kind: 'words', baseline: 'arms only', criterion: '10 in rhythm' } })).toEqual([]);
});

describe('the aim line', () => {
  // Calculated by hand: from 3 to 8 in ten days is half a piece a day.
  it.each([
    ['2026-08-20', 3],
    ['2026-09-01', 3],
    ['2026-09-05', 5],
    ['2026-09-11', 8],
    ['2026-12-01', 8],
  ])('stands on %s at %d', (day, aim) => {
    expect(aimAt(goalSchema.parse(tongs), calendarDay(day))).toBeCloseTo(aim, 10);
  });

  it('is none for a goal in words', () => {
    const measure = { kind: 'words', baseline: 'arms only', criterion: '10 in rhythm' } as const;
    expect(aimAt(goalSchema.parse({ ...tongs, measure }), calendarDay('2026-09-05'))).toBeNull();
  });
});

describe('the bank of goals', () => {
  it('has one for each skill at least, and each becomes a sound goal from the lowest baseline', () => {
    expect(new Set(GOAL_PATTERNS.map(({ skill }) => skill))).toEqual(new Set(SKILLS));
    for (const { measure, ...pattern } of GOAL_PATTERNS) {
      const from = measure.kind === 'help' ? 'handOverHand' : 0;
      const to = measure.kind === 'rating' ? measure.levels.length - 1 : measure.to;
      expect(codes({ ...tongs, ...pattern, measure: { ...measure, from, to, baselineOn: '2026-09-01' } })).toEqual([]);
    }
  });
});
