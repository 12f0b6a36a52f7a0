import fc from 'fast-check';
import { TheilSenRegression } from 'ml-regression-theil-sen';
import { errorFunction, wilcoxonRankSum } from 'simple-statistics';
import { addDays, calendarDay, type CalendarDay } from '../calendar';
import { goalSchema } from '../goals';
import { goalFigures, type GoalPoint, type Point } from '.';
import { goalStanding } from './standing';
import { kendall } from './kendall';
import { nonoverlapOfAllPairs } from './nap';
import { theilSen } from './theilSen';
import { draws, isDeep } from '../../../tests/fixtures/deep';

const series = (ys: readonly number[], xs = ys.map((_, index) => index + 1)): Point[] => ys.map((y, index) => ({ x: xs[index]!, y }));
const PUBLISHED = series([3, 5, 4, 6, 8, 7, 9, 12, 10, 11]);
const small = fc.array(fc.record({ x: fc.integer({ min: 0, max: 40 }), y: fc.integer({ min: 0, max: 12 }) }), {
  minLength: 5,
  maxLength: 24,
});

describe('the trend by Theil and Sen', () => {
  // Computed with R (zyp, Kendall) and SciPy, theilslopes and kendalltau.
  it('of the shared example has slope 1 and the interval 0.6 to 1.25', () => {
    expect(theilSen(PUBLISHED)).toMatchObject({ slope: 1, low: 0.6, high: 1.25, pairs: 45, ranks: [12, 34], medianX: 5.5, intercept: 2 });
  });

  it('of six measures is the middle of fifteen pairs, and ranks 2 to 14 hold the interval', () => {
    expect(theilSen(series([2, 3, 3, 5, 5, 6], [0, 14, 28, 42, 56, 66]))).toMatchObject({ pairs: 15 });
    expect(theilSen(series([2, 3, 3.5, 5, 5.5, 6], [0, 14, 28, 42, 56, 66]))!.ranks).toEqual([2, 14]);
  });

  it('is none with four points, or where all lie on one day', () => {
    expect(theilSen(PUBLISHED.slice(0, 4))).toBeNull();
    expect(theilSen(series([1, 2, 3, 4, 5], [7, 7, 7, 7, 7]))).toBeNull();
    expect(() => theilSen(series([1, 2, 3, 4, Number.NaN]))).toThrow(RangeError);
  });

  it('has the slope that an independent package finds, over two thousand random series', () => {
    // The package takes the lower of the two middle slopes for an even number of pairs, so only series with an odd number are
    // compared.
    const lengths = fc.constantFrom(6, 7, 10, 11, 14, 15, 18, 19, 22, 23);
    const drawn = lengths.chain((n) =>
      fc.tuple(
        fc.uniqueArray(fc.integer({ min: 0, max: 200 }), { minLength: n, maxLength: n }),
        fc.array(fc.integer({ min: 0, max: 12 }), { minLength: n, maxLength: n }),
      ),
    );
    fc.assert(
      fc.property(drawn, ([xs, ys]) => {
        expect(theilSen(series(ys, xs))!.slope).toBeCloseTo(new TheilSenRegression(xs, ys).slope, 12);
      }),
      { numRuns: 2_000, seed: 15 },
    );
  });

  it('turns round with the data, holds its middle within its interval, and is moved by no single outlier', () => {
    fc.assert(
      fc.property(small, (points) => {
        const trend = theilSen(points);
        if (!trend) return;
        expect(trend.low).toBeLessThanOrEqual(trend.slope);
        expect(trend.high).toBeGreaterThanOrEqual(trend.slope);
        const turned = theilSen(points.map(({ x, y }) => ({ x, y: -y })))!;
        expect(turned.slope).toBeCloseTo(-trend.slope, 9);
      }),
      { numRuns: 300, seed: 16 },
    );
    const line = series([1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect(theilSen([...line.slice(0, 8), { x: 9, y: 900 }])!.slope).toBe(1);
  });
});

describe('Kendall’s tau-b', () => {
  it('of the shared example is .822222 with exact p .000357694', () => {
    const found = kendall(PUBLISHED);
    expect(found).toMatchObject({ s: 37, by: 'count' });
    expect(found.tau).toBeCloseTo(0.822222, 6);
    expect(found.p).toBeCloseTo(0.000357694, 9);
  });

  /** Every order of the values, one by one: another way to the same p. */
  const byAllOrders = (points: readonly Point[]): number => {
    const score = (ys: readonly number[]) =>
      ys.reduce(
        (sum, y, i) =>
          sum + ys.slice(i + 1).reduce((own, other, j) => own + Math.sign(points[i + 1 + j]!.x - points[i]!.x) * Math.sign(other - y), 0),
        0,
      );
    const wanted = Math.abs(score(points.map(({ y }) => y)));
    const counts = { all: 0, asFar: 0 };
    const swap = (ys: number[], k: number) => {
      if (k === 1) {
        counts.all += 1;
        if (Math.abs(score(ys)) >= wanted) counts.asFar += 1;
        return;
      }
      for (let i = 0; i < k; i += 1) {
        swap(ys, k - 1);
        const j = k % 2 === 0 ? i : 0;
        [ys[j], ys[k - 1]] = [ys[k - 1]!, ys[j]!];
      }
    };
    swap(
      points.map(({ y }) => y),
      points.length,
    );
    return counts.asFar / counts.all;
  };

  it.each(isDeep ? [5, 6, 7, 8] : [5, 6, 7])('has the p that all orders of %d points come to, ties in either or both', (n) => {
    const few = fc.array(fc.record({ x: fc.integer({ min: 0, max: n + 2 }), y: fc.integer({ min: 0, max: 4 }) }), {
      minLength: n,
      maxLength: n,
    });
    fc.assert(
      fc.property(few, (points) => {
        const found = kendall(points);
        if (found.tau === null) return;
        expect(found.p).toBeCloseTo(byAllOrders(points), 10);
      }),
      { numRuns: { 5: 25, 6: 25, 7: draws(4, 8), 8: 3 }[n]!, seed: n },
    );
  });

  it('says nothing where all values are equal, and keeps between −1 and 1', () => {
    expect(kendall(series([4, 4, 4, 4, 4]))).toMatchObject({ tau: null, p: 1 });
    fc.assert(
      fc.property(small, (points) => {
        const { tau, p } = kendall(points);
        if (tau !== null) expect(Math.abs(tau)).toBeLessThanOrEqual(1 + 1e-12);
        expect(p).toBeGreaterThan(0);
        expect(p).toBeLessThanOrEqual(1);
      }),
      { numRuns: draws(60, 300), seed: 17 },
    );
  });

  it('goes by the normal distribution where counting is too long, as another package has that', () => {
    const n = 61;
    const points = series(Array.from({ length: n }, (_, index) => index * 0.05 + Math.sin(index * 12.9898) * 3));
    const found = kendall(points);
    const variance = (n * (n - 1) * (2 * n + 5)) / 18;
    expect(found.by).toBe('normal');
    expect(found.p).toBeCloseTo(1 - errorFunction((Math.abs(found.s) - 1) / Math.sqrt(2 * variance)), 6);
    // And for fifty-nine the counts come near to it.
    const fewer = points.slice(0, 59);
    const counted = kendall(fewer);
    expect(counted.by).toBe('count');
    const near = 1 - errorFunction((Math.abs(counted.s) - 1) / Math.sqrt((2 * (59 * 58 * 123)) / 18));
    expect(Math.abs(counted.p - near)).toBeLessThan(0.002);
  });
});

describe('nonoverlap of all pairs', () => {
  // Parker & Vannest 2009, the shared example, computed by hand as well.
  const A = [20, 20, 26, 25, 22, 23];
  const B = [28, 25, 24, 27, 30, 30, 29];

  it('of the shared example is .9166667: 38 better, 3 worse, 1 tied of 42', () => {
    expect(nonoverlapOfAllPairs(A, B)).toMatchObject({ better: 38, worse: 3, tied: 1 });
    expect(nonoverlapOfAllPairs(A, B)!.nap).toBeCloseTo(0.9166667, 7);
    expect(nonoverlapOfAllPairs([], B)).toBeNull();
  });

  it('is the rank sum of an independent package in another dress, over random phases', () => {
    const phase = fc.array(fc.integer({ min: 0, max: 15 }), { minLength: 1, maxLength: 15 });
    fc.assert(
      fc.property(phase, phase, (before, after) => {
        const u = wilcoxonRankSum(after, before) - (after.length * (after.length + 1)) / 2;
        expect(nonoverlapOfAllPairs(before, after)!.nap).toBeCloseTo(u / (before.length * after.length), 10);
      }),
      { numRuns: 500, seed: 18 },
    );
  });
});

describe('where a goal stands', () => {
  const begun = calendarDay('2026-09-14');
  const goal = goalSchema.parse({
    skill: 'inHandManipulation',
    statement: 'Turns a nut on a bolt with the fingertips',
    measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: begun },
    mostHelp: 'pointed',
    sessions: 3,
    reviewOn: addDays(begun, 90),
    taskIds: [],
  });
  const points = (values: readonly number[], every = 14, help: GoalPoint['help'] = null): GoalPoint[] =>
    values.map((value, index) => ({ day: addDays(begun, index * every), value, help }));
  const stands = (given: readonly GoalPoint[]) => goalStanding(goal, given)!;

  it('is not enough with four points, whatever they say, and draws no line', () => {
    expect(stands(points([2, 4, 6, 8]))).toMatchObject({ standing: 'notEnough', trend: null, projection: null, correlation: null });
  });

  it('is reached by so many in a row as it asks, with no more help than it allows, also with few points', () => {
    expect(stands(points([8, 9, 8])).standing).toBe('reached');
    expect(stands(points([8, 9, 8], 14, 'steadied')).standing).toBe('notEnough');
    expect(stands(points([8, 9, 7])).standing).toBe('notEnough');
    expect(stands([...points([3, 8, 8]), { day: addDays(begun, 50), value: 8, help: 'words' }]).metInARow).toBe(3);
  });

  it('is on track where the trend meets the criterion by the review, surely or not', () => {
    const steady = stands(points([2, 3, 4, 5, 6]));
    expect(steady).toMatchObject({ standing: 'onTrack', isSure: true });
    // Gains one good turn every two weeks: eight after six of them.
    expect(steady.projection).toMatchObject({ mid: expect.closeTo(2 + 90 / 14, 9), meetsOn: addDays(begun, 84) });
    expect(stands(points([2, 5, 3, 6, 5]))).toMatchObject({ standing: 'onTrack', isSure: false });
  });

  it('moves too slowly, or not, by whether the interval lies above nothing', () => {
    const slow = stands(points([2, 2.5, 3, 3.5, 4, 4.4, 4.8], 10));
    expect(slow.standing).toBe('tooSlow');
    expect(slow.projection!.meetsOn).toBeNull();
    expect(stands(points([3, 2, 3, 2, 3, 2])).standing).toBe('notMoving');
    expect(stands(points([6, 5, 4, 3, 2])).standing).toBe('notMoving');
  });

  it('never projects past the review, nor out of what its unit can be', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 5, maxLength: 12 }),
        fc.integer({ min: 1, max: 12 }),
        (values, every) => {
          const { projection } = stands(points(values, every));
          if (!projection) return;
          const { low, mid, high, meetsOn } = projection;
          expect(low).toBeLessThanOrEqual(mid + 1e-9);
          expect(mid).toBeLessThanOrEqual(high + 1e-9);
          expect(low).toBeGreaterThanOrEqual(0);
          expect(high).toBeLessThanOrEqual(10);
          if (meetsOn) expect(meetsOn <= goal.reviewOn && meetsOn >= begun).toBe(true);
        },
      ),
      { numRuns: 400, seed: 19 },
    );
  });

  it('looks at the last four beside the aim line, of which one on the line is neither', () => {
    // The line climbs six in ninety days.
    expect(stands(points([2, 2, 2, 2, 2])).fourPoints).toBe('allBelow');
    expect(stands(points([2, 6, 7, 8, 9])).fourPoints).toBe('allAbove');
    expect(stands(points([2, 6, 7])).fourPoints).toBe('tooFew');
    expect(stands([...points([6, 6, 6]), { day: addDays(begun, 45), value: 5, help: null }]).fourPoints).toBe('neither');
  });

  it('is not moving where the interval of the trend touches 0', () => {
    const touching = stands(points([2, 3, 2, 3, 3, 3]));
    expect(touching).toMatchObject({ standing: 'notMoving', trend: { low: 0 } });
    expect(touching.trend!.high).toBeGreaterThan(0);
    expect(stands(points([2, 2.5, 3, 3.5, 4])).standing).toBe('tooSlow');
  });

  it('counts a report of the day on which a phase begins in that phase alone', () => {
    const later = addDays(begun, 10);
    const session = (reportId: number, doneOn: CalendarDay, amount: number) => ({
      ...{ reportId, doneOn, amount, target: 10, done: true, step: 3, taskId: 1 },
      ...{ help: null, effort: null, stopReason: null, safetyWord: false },
    });
    const log = {
      measurements: [],
      sessions: [session(1, begun, 2), session(2, later, 8)],
      phases: [{ from: begun }, { from: later }],
      skins: [],
      plannedDays: 0,
      daysWithoutWord: 0,
    };
    expect(goalFigures(goal, log as never, addDays(begun, 30)).nonoverlap).toMatchObject({ better: 1, worse: 0, tied: 0 });
  });

  it('leaves out what was before its baseline, and does not mind the order', () => {
    const early = { day: addDays(begun, -3), value: 9, help: null };
    const told = points([2, 3, 4, 5, 6]);
    expect(stands([early, ...[...told].reverse()])).toEqual(stands(told));
  });

  it('measures nothing where words alone tell the goal', () => {
    const words = goalSchema.parse({ ...goal, measure: { kind: 'words', baseline: 'now and then', criterion: 'always' } });
    expect(goalStanding(words, points([1, 2, 3, 4, 5]))).toBeNull();
  });
});
