import type { CalendarDay } from '../calendar';
import { valuesOf, type GoalContent } from '../goals';
import type { Measurement } from '../measurements';
import type { DatedSession } from '../reports';
import { pointOfMeasurement, pointOfReport, type SourcedPoint } from './goalData';
import { nonoverlapOfAllPairs, type Nonoverlap } from './nap';
import { goalStanding, type GoalStanding } from './standing';

/** A span at one step of one of the goal's tasks. */
export interface Phase {
  readonly taskId: number;
  readonly step: number;
  readonly from: CalendarDay;
}

/** From a day on a task was given in another skin: what changes may be how it looks, and not what the child can. */
export interface SkinChange {
  readonly taskId: number;
  readonly skin: string;
  readonly from: CalendarDay;
}

/** All that was written down about a goal; figures are made of it alone. */
export interface GoalLog {
  readonly measurements: readonly (Measurement & { readonly id: number })[];
  /** Sessions of the tasks that serve the goal. */
  readonly sessions: readonly (DatedSession & { readonly taskId: number })[];
  /** Oldest first. */
  readonly phases: readonly Phase[];
  /** Oldest first. */
  readonly skins: readonly SkinChange[];
  /** Days on which practice of these tasks was planned, and how many of them nobody told anything of. */
  readonly plannedDays: number;
  readonly daysWithoutWord: number;
}

export interface GoalFigures {
  /** The therapist's own measurements, the baseline among them. Null for a goal without a measure. */
  readonly own: (GoalStanding & { readonly points: readonly SourcedPoint[] }) | null;
  readonly ownPoints: readonly SourcedPoint[];
  /** Values from the family's reports: never mixed with the therapist's own. */
  readonly family: readonly SourcedPoint[];
  readonly helpNotTold: number;
  readonly phases: readonly Phase[];
  readonly skins: readonly SkinChange[];
  /** Between the family's last two phases with word in them. */
  readonly nonoverlap: Nonoverlap | null;
  readonly plannedDays: number;
  readonly daysWithoutWord: number;
}

/** The baseline is a measure, too; it comes of no row. */
export const BASELINE_ID = 0;

/**
 * Every figure of a goal from its log, up to and with a day. Reckoned anew each time: nothing of it is kept but what a closed period froze.
 * @param until later days are left out, as if they had not come yet
 */
export function goalFigures(goal: GoalContent, log: GoalLog, until: CalendarDay): GoalFigures {
  const { measure } = goal;
  const values = valuesOf(measure);
  const measured = log.measurements
    .filter(({ measuredOn }) => measuredOn <= until)
    .flatMap((each) => pointOfMeasurement(measure, each) ?? [])
    .sort(byDay);
  const baseline: SourcedPoint[] =
    values && measure.kind !== 'words' && !measured.some(({ day }) => day === measure.baselineOn)
      ? [{ day: measure.baselineOn, value: values.from, help: null, sourceId: BASELINE_ID, step: null }]
      : [];
  const ownPoints = [...baseline, ...measured];
  const family = log.sessions
    .filter(({ doneOn }) => doneOn <= until)
    .flatMap((each) => pointOfReport(measure, each) ?? [])
    .sort(byDay);
  const phases = log.phases.filter(({ from }) => from <= until);
  return {
    own: goalStanding(goal, ownPoints) as GoalFigures['own'],
    ownPoints,
    family,
    helpNotTold: family.filter(({ help }) => help === null).length,
    phases,
    skins: log.skins.filter(({ from }) => from <= until),
    nonoverlap: lastTwoPhases(family, phases),
    plannedDays: log.plannedDays,
    daysWithoutWord: log.daysWithoutWord,
  };
}

const byDay = (one: SourcedPoint, other: SourcedPoint) =>
  one.day < other.day ? -1 : one.day > other.day ? 1 : one.sourceId - other.sourceId;

function lastTwoPhases(points: readonly SourcedPoint[], phases: readonly Phase[]): Nonoverlap | null {
  const starts = [...new Set(phases.map(({ from }) => from))].sort();
  const parts = starts
    .map((from, index) => points.filter(({ day }) => day >= from && (index + 1 === starts.length || day < starts[index + 1]!)))
    .filter((part) => part.length > 0);
  const [before, after] = parts.slice(-2);
  return before && after
    ? nonoverlapOfAllPairs(
        before.map(({ value }) => value),
        after.map(({ value }) => value),
      )
    : null;
}
