import { weekdayOf, type CalendarDay } from '../calendar';
import { groupBy } from '../groupBy';
import { adherenceRange, type AdherenceRange } from './adherenceRange';

/** What one version of a program asked for, over the days that it held. */
export interface PlannedSpan {
  readonly from: CalendarDay;
  /** included */
  readonly to: CalendarDay;
  readonly tasks: readonly { readonly taskId: number; readonly weekdays: readonly number[]; readonly target: number }[];
}

export interface PracticeReport {
  readonly taskId: number;
  readonly doneOn: CalendarDay;
  readonly done: boolean;
  readonly amount: number;
}

/** `free`: nothing was planned and nothing came. */
export type DayWord = 'done' | 'partly' | 'saidNotDone' | 'noWord' | 'free';

export interface PracticeDay {
  readonly day: CalendarDay;
  readonly word: DayWord;
  readonly planned: number;
  readonly knownDone: number;
}

export interface Practice {
  readonly days: readonly PracticeDay[];
  readonly adherence: AdherenceRange;
  /** Repetitions, minutes or pieces, added up as they were asked and as they were reported. */
  readonly amountAsked: number;
  readonly amountGiven: number;
}

/**
 * Practice day by day, and its adherence range. A planned task counts as done on a day when at least one report of it says
 * so; what was done beyond the plan shows on its day but does not push adherence over what was planned.
 */
export function practiceOf(days: readonly CalendarDay[], spans: readonly PlannedSpan[], reports: readonly PracticeReport[]): Practice {
  const byDay = groupBy(reports, (report) => report.doneOn);
  let planned = 0;
  let knownDone = 0;
  let saidNotDone = 0;
  let amountAsked = 0;
  const practiceDays = days.map((day): PracticeDay => {
    const asked = tasksAskedOn(day, spans);
    const told = byDay.get(day) ?? [];
    const done = new Set(told.filter((report) => report.done).map((report) => report.taskId));
    const refused = new Set(told.filter((report) => !report.done && !done.has(report.taskId)).map((report) => report.taskId));
    const askedDone = asked.filter((task) => done.has(task.taskId)).length;
    const askedRefused = asked.filter((task) => refused.has(task.taskId)).length;
    planned += asked.length;
    knownDone += askedDone;
    saidNotDone += askedRefused;
    amountAsked += asked.reduce((sum, task) => sum + task.target, 0);
    return { day, planned: asked.length, knownDone: askedDone, word: wordOf(asked.length, askedDone, done.size, refused.size) };
  });
  const within = new Set(days);
  const amountGiven = reports.reduce((sum, report) => sum + (report.done && within.has(report.doneOn) ? report.amount : 0), 0);
  return { days: practiceDays, adherence: adherenceRange({ planned, knownDone, saidNotDone }), amountAsked, amountGiven };
}

function tasksAskedOn(day: CalendarDay, spans: readonly PlannedSpan[]) {
  const weekday = weekdayOf(day);
  return spans
    .filter((span) => day >= span.from && day <= span.to)
    .flatMap((span) => span.tasks.filter((task) => task.weekdays.includes(weekday)));
}

function wordOf(planned: number, askedDone: number, done: number, refused: number): DayWord {
  if (done > 0) return askedDone >= planned ? 'done' : 'partly';
  if (refused > 0) return 'saidNotDone';
  return planned > 0 ? 'noWord' : 'free';
}
