import { calendarDayInZone, instant, type CalendarDay } from '@/core/calendar';
import type { GoalMeasure } from '@/core/goals';
import type { HelpLevel } from '@/core/vocabulary';
import type { WatchItem } from '@/core/vocabulary';

/** Counts and observations of one goal at a visit so far. */
export interface Trial {
  /** In their order, so that the last one can be taken back. */
  readonly tries: readonly boolean[];
  readonly help: HelpLevel | null;
  readonly level: number | null;
  /** Whole seconds of the spans that are over. */
  readonly seconds: number;
  /** When the clock was started, by the device's clock; null where it stands. */
  readonly runningSince: number | null;
  readonly watched: Readonly<Partial<Record<WatchItem, string>>>;
  readonly note: string;
  /** Task and step, as "7:3"; empty for none. */
  readonly taskStep: string;
}

export const NEW_TRIAL: Trial = {
  tries: [],
  help: null,
  level: null,
  seconds: 0,
  runningSince: null,
  watched: {},
  note: '',
  taskStep: '',
};

const MOST_TRIES = 500;

export const addTry = (trial: Trial, isGood: boolean): Trial =>
  trial.tries.length >= MOST_TRIES ? trial : { ...trial, tries: [...trial.tries, isGood] };
export const refundTry = (trial: Trial): Trial => ({ ...trial, tries: trial.tries.slice(0, -1) });

export function secondsAt(trial: Trial, now: number): number {
  const running = trial.runningSince === null ? 0 : Math.max(0, Math.round((now - trial.runningSince) / 1000));
  return trial.seconds + running;
}

/** Starts the clock, or stops it. */
export function turnClock(trial: Trial, now: number): Trial {
  return trial.runningSince === null ? { ...trial, runningSince: now } : { ...trial, seconds: secondsAt(trial, now), runningSince: null };
}

export function isEmpty(trial: Trial): boolean {
  const { tries, help, level, seconds, runningSince, watched, note } = trial;
  const seen = Object.values(watched).some((answer) => answer !== '');
  return tries.length === 0 && help === null && level === null && seconds === 0 && runningSince === null && note.trim() === '' && !seen;
}

/**
 * The day at the workplace, by the device's clock whatever zone that is set to, or the sheet's own where that is the later one: a sheet may have
 * been kept since yesterday.
 */
export function dayOfVisit(ofSheet: CalendarDay, now: number, timeZone: string): CalendarDay {
  const byClock = calendarDayInZone(instant(now), timeZone);
  return byClock > ofSheet ? byClock : ofSheet;
}

/** A trial as it is written down; what was not counted is told as nothing. Minutes are told in tenths. */
export function measurementOf(
  trial: Trial,
  { goalId, measure }: { goalId: number; measure: GoalMeasure },
  measuredOn: string,
  now: number,
) {
  const [taskId, step] = trial.taskStep.split(':');
  const seconds = secondsAt(trial, now);
  const isCounted = trial.tries.length > 0;
  return {
    goalId,
    taskId: taskId ? Number(taskId) : null,
    step: step ? Number(step) : null,
    measuredOn,
    good: isCounted ? trial.tries.filter(Boolean).length : null,
    trials: isCounted ? trial.tries.length : null,
    help: trial.help,
    level: measure.kind === 'rating' ? trial.level : null,
    minutes: seconds === 0 ? null : Math.max(0.1, Math.round(seconds / 6) / 10),
    watched: Object.fromEntries(Object.entries(trial.watched).filter(([, seen]) => seen !== '')),
    note: trial.note.trim(),
  };
}
