import { addDays, daysBetween, type CalendarDay } from '../calendar';
import { aimAt, valuesOf, type GoalContent } from '../goals';
import { HELP_LEVELS, type HelpLevel } from '../vocabulary';
import { FEWEST_POINTS, theilSen, type Trend } from './theilSen';
import { kendall, type RankCorrelation } from './kendall';

/** A day of a goal's data, in the goal's own unit. */
export interface GoalPoint {
  readonly day: CalendarDay;
  readonly value: number;
  /** Null where it was not told. */
  readonly help: HelpLevel | null;
}

/** The last four against the aim line: all under it ask for a change, all above it for a higher aim. */
export type FourPoints = 'tooFew' | 'allBelow' | 'allAbove' | 'neither';

export const STANDINGS = ['reached', 'onTrack', 'tooSlow', 'notMoving', 'notEnough'] as const;
export type Standing = (typeof STANDINGS)[number];

export interface Projection {
  /** On the review day, kept within what the goal's unit can be. */
  readonly low: number;
  readonly mid: number;
  readonly high: number;
  /** The day on which the trend meets the criterion, where that is not after the review; null: not in sight. */
  readonly meetsOn: CalendarDay | null;
}

export interface GoalStanding {
  readonly standing: Standing;
  /** Reached; or on track, and still so at the worst end of the interval. */
  readonly isSure: boolean;
  readonly points: readonly GoalPoint[];
  /** How many of the last ones in a row meet the criterion with no more help than it allows. */
  readonly metInARow: number;
  /** Null with fewer than five points: not enough data yet. Days are counted from the baseline. */
  readonly trend: Trend | null;
  readonly correlation: RankCorrelation | null;
  readonly projection: Projection | null;
  readonly fourPoints: FourPoints;
}

/** Under the criterion by no more than such a share of the way to it a trend still counts as meeting it. Our own choice. */
const CLOSE_ENOUGH = 0.05;
const FOUR = 4;

/**
 * Judges a goal by one source of data: *reached* where its criterion was met the number of times in a row that it asks for; *not
 * enough data* under five points; *on track* where the trend meets the criterion by the review; *moving, too slowly* where its
 * interval lies above 0; else *not moving*. Nothing is projected past the review. Sources: aim line and four-point rule,
 * curriculum-based measurement (Deno 1985; Mirkin et al. 1982, from memory); the bounds are our own.
 * @param given in any order; days before the baseline are left out
 * @returns null for a goal that measures nothing
 */
export function goalStanding(goal: GoalContent, given: readonly GoalPoint[]): GoalStanding | null {
  const { measure, mostHelp, sessions } = goal;
  const values = valuesOf(measure);
  if (!values || measure.kind === 'words') return null;
  const points = given.filter(({ day }) => day >= measure.baselineOn).sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  const placed = points.map(({ day, value }) => ({ x: daysBetween(measure.baselineOn, day), y: value }));
  const trend = theilSen(placed);
  const projection = trend && project(goal, trend, rangeOf(goal)!);
  const metInARow = [...points].reverse().findIndex((point) => !meets(point, values.to, mostHelp));
  const met = metInARow < 0 ? points.length : metInARow;
  const base = {
    points,
    metInARow: met,
    trend,
    correlation: points.length >= FEWEST_POINTS ? kendall(placed) : null,
    projection,
    fourPoints: fourPointsOf(goal, points),
  };
  if (met >= sessions) return { ...base, standing: 'reached', isSure: true };
  if (!trend || !projection) return { ...base, standing: 'notEnough', isSure: false };
  const wanted = values.to - CLOSE_ENOUGH * (values.to - values.from);
  if (projection.mid >= wanted) return { ...base, standing: 'onTrack', isSure: projection.low >= wanted };
  return { ...base, standing: trend.low > 0 ? 'tooSlow' : 'notMoving', isSure: false };
}

/** Help that was not told does not stand against it. */
function meets({ value, help }: GoalPoint, criterion: number, mostHelp: HelpLevel): boolean {
  return value >= criterion && (help === null || HELP_LEVELS.indexOf(help) >= HELP_LEVELS.indexOf(mostHelp));
}

/** The least and the most that the unit of a goal can be. */
export function rangeOf({ measure }: Pick<GoalContent, 'measure'>): readonly [number, number] | null {
  switch (measure.kind) {
    case 'count':
      return [0, measure.of];
    case 'help':
      return [0, HELP_LEVELS.length - 1];
    case 'rating':
      return [0, measure.levels.length - 1];
    case 'minutes':
      return [0, 600];
    case 'words':
      return null;
  }
}

/** The line goes through the medians, with the middle slope and with either end of its interval. */
function project({ measure, reviewOn }: GoalContent, trend: Trend, [least, most]: readonly [number, number]): Projection | null {
  const values = valuesOf(measure);
  if (!values || measure.kind === 'words') return null;
  const { medianX, medianY, slope, low, high } = trend;
  const review = daysBetween(measure.baselineOn, reviewOn);
  const at = (by: number) => Math.min(most, Math.max(least, medianY + by * (review - medianX)));
  // Data whose middle lies after the review is not projected backward.
  const ends = [at(low), at(high)];
  const whole = Math.ceil(medianX + (values.to - medianY) / slope - 1e-9);
  const meets = slope > 0 && whole <= review ? Math.max(0, whole) : medianY >= values.to ? Math.round(medianX) : null;
  return {
    low: Math.min(...ends),
    mid: at(slope),
    high: Math.max(...ends),
    meetsOn: meets === null || meets > review ? null : addDays(measure.baselineOn, meets),
  };
}

function fourPointsOf(goal: GoalContent, points: readonly GoalPoint[]): FourPoints {
  const last = points.slice(-FOUR);
  if (last.length < FOUR) return 'tooFew';
  const off = last.map(({ day, value }) => value - aimAt(goal, day)!);
  if (off.every((by) => by < 0)) return 'allBelow';
  return off.every((by) => by > 0) ? 'allAbove' : 'neither';
}
