import { addDays, calendarDay, type CalendarDay } from '@/core/calendar';
import { goalSchema, type GoalMeasure } from '@/core/goals';
import { goalFigures } from '@/core/progress';
import type { HelpLevel } from '@/core/vocabulary';
import { reportLine, reportSentences, reportTable } from './reportWords';

const BEGUN = calendarDay('2026-09-04');
const REVIEW = calendarDay('2026-12-18');
const LATE = calendarDay('2026-12-31');

type Result = readonly [value: number, help?: HelpLevel];
interface Family {
  readonly sessions?: readonly { readonly amount: number; readonly help?: HelpLevel }[];
  readonly plannedDays?: number;
  readonly withoutReport?: number;
}

/** A goal of which the school measured so much, a week apart, and the family reported so much. */
function reportOf(measure: Partial<GoalMeasure> & { kind: GoalMeasure['kind'] }, results: readonly Result[], family: Family = {}) {
  const goal = goalSchema.parse({
    skill: 'scissors',
    statement: 'Cuts along a straight line',
    measure: measure.kind === 'words' ? measure : { baselineOn: BEGUN, ...measure },
    mostHelp: 'words',
    sessions: 3,
    reviewOn: REVIEW,
    taskIds: [1],
  });
  const weekLater = (index: number): CalendarDay => addDays(BEGUN, 7 * (index + 1));
  const figures = goalFigures(
    goal,
    {
      measurements: results.map(([value, help = null], index) => ({
        id: index + 1,
        goalId: 1,
        taskId: null,
        step: null,
        measuredOn: weekLater(index),
        good: measure.kind === 'count' ? value : null,
        trials: measure.kind === 'count' ? 10 : null,
        help: measure.kind === 'help' ? (['handOverHand', 'steadied', 'shown', 'pointed', 'words', 'alone'] as const)[value]! : help,
        level: measure.kind === 'rating' ? value : null,
        minutes: measure.kind === 'minutes' ? value : null,
        watched: {},
        note: '',
      })),
      sessions: (family.sessions ?? []).map(({ amount, help = null }, index) => ({
        reportId: index + 1,
        taskId: 1,
        doneOn: weekLater(index),
        step: 2,
        versionNumber: 1,
        target: 10,
        done: true,
        amount,
        help,
        effort: null,
        stopReason: null,
        safetyWord: false,
      })),
      phases: [],
      skins: [],
      plannedDays: family.plannedDays ?? 0,
      daysWithoutWord: family.withoutReport ?? 0,
    },
    LATE,
  );
  return {
    says: reportSentences(goal, figures, 'Odalys').map(({ says }) => says),
    line: reportLine(goal, figures, 'Odalys'),
    rows: reportTable(goal, figures),
  };
}

const count = { kind: 'count', of: 10, from: 2, to: 8 } as const;
const said = (...given: Parameters<typeof reportOf>) => reportOf(...given).says;

describe('the paragraph for a progress report', () => {
  it('has a baseline alone', () => {
    const { says, line } = reportOf(count, []);
    expect(says).toEqual([
      'At baseline on September 4, Odalys was at 2 of 10. There are no school data since then.',
      'A trend cannot be shown yet: 1 of the 5 data points needed has been collected at school.',
      'The goal is 8 of 10 by December 18.',
    ]);
    expect(line).toBe('Odalys: baseline 2 of 10 (September 4), no school data since then. Goal: 8 of 10 by December 18. Not enough data.');
  });

  it('names the current level with its date and the level of help', () => {
    const { says, line } = reportOf(count, [[4, 'words']]);
    expect(says[0]).toBe('Odalys went from 2 of 10 at baseline (September 4) to 4 of 10 on September 11 with verbal cues.');
    expect(says[1]).toBe('A trend cannot be shown yet: 2 of the 5 data points needed have been collected at school.');
    expect(line).toBe(
      'Odalys: 4 of 10 with verbal cues on September 11, from a baseline of 2 of 10 (September 4). Goal: 8 of 10 by December 18. Not enough data.',
    );
  });

  it.each([
    // Each is one data point a week after a baseline of 2: the slopes can be checked by hand.
    [[3, 4, 5, 6], 'School data show an increase of 1 of 10 per week.', 'On track'],
    [
      [2, 3, 3, 4, 4],
      'School data show an increase of about 0.5 of 10 per week. This is not certain: the data allow anything from no change to an increase of 0.7 of 10.',
      'Progressing, but not on track|On track',
    ],
    [[2, 2, 2, 2], 'School data show no change per week.', 'No measurable progress'],
    [[1, 0, 0, 0], null, 'No measurable progress'],
  ])('says the trend of %j in words', (values, trend, standing) => {
    const { says, line } = reportOf(
      count,
      values.map((value) => [value]),
    );
    if (trend) expect(says[1]).toBe(trend);
    expect(line).toMatch(new RegExp(`(?:${standing})(?:, but not certain)?\\.$`));
  });

  it('says that a change is not certain where the interval holds both directions', () => {
    expect(said(count, [[4], [1], [5], [2], [4]])[1]).toMatch(
      /^School data show (an increase|no change).* This is not certain: the data allow anything from a decrease of [\d.]+ of 10 to an increase of [\d.]+ of 10\.$/,
    );
  });

  it('says a decrease with its bounds, the smaller first', () => {
    expect(said({ ...count, from: 7, to: 9 }, [[6], [5], [4], [3], [1]])[1]).toMatch(
      /^School data show a decrease of about 1 of 10 per week \(likely between 1 and 1\.\d\)\.$|^School data show a decrease of 1 of 10 per week\.$/,
    );
  });

  it('projects to the review date and no further, against the goal', () => {
    expect(said(count, [[2], [3], [3], [4]])[2]).toMatch(
      /^At the current rate, Odalys is projected to be at [\d.]+ of 10 \(likely [\d.]+ of 10 to [\d.]+ of 10\) on December 18\. The goal is 8 of 10\.$/,
    );
  });

  it('says that a goal is met', () => {
    const { says, line } = reportOf(count, [[8], [9], [8]]);
    expect(says[2]).toBe('The goal of 8 of 10 is met.');
    expect(line).toMatch(/Met\.$/);
  });

  it('speaks of help as help, and of more independence as the gain', () => {
    const { says, line } = reportOf({ kind: 'help', from: 'steadied', to: 'alone' }, [[1], [2], [3], [4]]);
    expect(says[0]).toBe('Odalys went from partial physical help at baseline (September 4) to verbal cues on October 2.');
    expect(says[1]).toMatch(/^School data show an increase in independence of about 1 level of help per week\./);
    expect(says[2]).toMatch(/The goal is no help\.$/);
    expect(line).toContain('Goal: no help by December 18.');
  });

  it('says minutes, and levels in the goal’s own words', () => {
    expect(said({ kind: 'minutes', from: 2, to: 5 }, [[3]])[0]).toBe(
      'Odalys went from 2 minutes at baseline (September 4) to 3 minutes on September 11.',
    );
    expect(said({ kind: 'rating', levels: ['fisted grasp', 'finger grasp'], from: 0, to: 1 }, [[1]])[0]).toBe(
      'Odalys went from “fisted grasp” at baseline (September 4) to “finger grasp” on September 11.',
    );
  });

  it('has nothing to say of a goal without a measure', () => {
    expect(reportOf({ kind: 'words', baseline: 'sometimes', criterion: 'always' }, [])).toEqual({ says: [], line: '', rows: [] });
  });

  it('keeps the family’s reports apart, and says what is unknown', () => {
    const family = { sessions: [{ amount: 4 }, { amount: 7, help: 'words' as const }], plannedDays: 12, withoutReport: 3 };
    expect(said(count, [[4]], family).slice(3)).toEqual([
      'The family reported 2 home practice sessions with results. They ranged from 4 of 10 to 7 of 10. There was a report on 9 of 12 planned days.',
      'The level of help was not recorded for 1 of the 2. There was no report on 3 planned days, so practice on those days is unknown.',
    ]);
    expect(said(count, [[4]], { plannedDays: 1, withoutReport: 1 }).slice(3)).toEqual([
      'The family reported 0 home practice sessions with results. There was a report on 0 of 1 planned days.',
      'There was no report on 1 planned day, so practice on that day is unknown.',
    ]);
    expect(said(count, [[4]], { sessions: [{ amount: 5, help: 'alone' }] }).slice(3)).toEqual([
      'The family reported 1 home practice session with results. Each was 5 of 10.',
    ]);
  });

  it('lists the data with their sources, oldest first', () => {
    const { rows } = reportOf(count, [[4, 'words']], { sessions: [{ amount: 5 }] });
    expect(rows).toEqual([
      { date: 'September 4', source: 'School data (baseline)', value: '2 of 10', help: 'not recorded' },
      { date: 'September 11', source: 'School data', value: '4 of 10', help: 'verbal' },
      { date: 'September 11', source: 'Family report', value: '5 of 10', help: 'not recorded' },
    ]);
  });
});
