import type { GoalMeasure } from '../goals';
import { outcomeOf, type DatedSession } from '../reports';
import { HELP_LEVELS } from '../vocabulary';
import type { Measurement } from '../measurements';
import type { GoalPoint } from './standing';

/** A day of a goal, and the row of the log that it is made of. */
export interface SourcedPoint extends GoalPoint {
  /** The report or the measurement. */
  readonly sourceId: number;
  readonly step: number | null;
}

/**
 * Converts a measurement to the goal's unit: good repetitions scaled to the trials that the goal names, the index of the help or
 * level, minutes. Null where the measurement has no value in that unit.
 * @example 4 good of 5 trials, for a goal of so many of 10: 8
 */
export function pointOfMeasurement(measure: GoalMeasure, measurement: Measurement & { readonly id: number }): SourcedPoint | null {
  const { measuredOn, good, trials, help, level, minutes, id, step } = measurement;
  const value = valueIn(measure, { share: good === null || !trials ? null : good / trials, help, minutes, level });
  return value === null ? null : { day: measuredOn, value, help, sourceId: id, step };
}

/**
 * Converts a family's report of one session of a task that serves the goal to the goal's unit: the share of the target, scaled to
 * the trials that the goal names. Null where it was not done, not counted or hurt. It is the family's report about its step, and no
 * measurement of the goal.
 */
export function pointOfReport(measure: GoalMeasure, session: DatedSession): SourcedPoint | null {
  const { doneOn, done, amount, target, help, reportId, step } = session;
  const isCounted = outcomeOf(session, target) !== 'uncounted' || measure.kind !== 'count';
  if (!done || session.safetyWord || !isCounted) return null;
  const share = amount === null || !target ? null : Math.min(1, amount / target);
  const value = valueIn(measure, { share, help, minutes: null, level: null });
  return value === null ? null : { day: doneOn, value, help, sourceId: reportId, step };
}

interface Told {
  readonly share: number | null;
  readonly help: DatedSession['help'];
  readonly minutes: number | null;
  readonly level: number | null;
}

/** Tenths are as fine as any of these is told. */
const tenths = (value: number) => Math.round(value * 10) / 10;

function valueIn(measure: GoalMeasure, { share, help, minutes, level }: Told): number | null {
  switch (measure.kind) {
    case 'count':
      return share === null ? null : tenths(share * measure.of);
    case 'help':
      return help === null ? null : HELP_LEVELS.indexOf(help);
    case 'minutes':
      return minutes;
    case 'rating':
      // The goal may have had more levels when it was measured.
      return level === null ? null : Math.min(level, measure.levels.length - 1);
    case 'words':
      return null;
  }
}
