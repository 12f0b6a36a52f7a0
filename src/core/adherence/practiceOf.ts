import { weekdayOf, type CalendarDay } from '../calendar';
import type { DoseUnit } from '../dose';
import { groupBy } from '../groupBy';
import { adherenceRange, type AdherenceRange } from './adherenceRange';
import { doseGiven, type DoseGiven } from './doseGiven';

/** Days of one task as one version of a program asks for them. */
export interface PlannedTaskDays {
  readonly taskId: number;
  /** ISO weekdays */
  readonly weekdays: readonly number[];
  /** Target of a day, in the unit; null where the step has none. */
  readonly target: number | null;
  readonly unit: DoseUnit;
}

/** Everything one version of a program asked for over the days on which it was in force. */
export interface PlannedSpan {
  readonly from: CalendarDay;
  /** included */
  readonly to: CalendarDay;
  readonly tasks: readonly PlannedTaskDays[];
}

export interface PracticeReport {
  readonly taskId: number;
  readonly doneOn: CalendarDay;
  readonly done: boolean;
  /** Null where it was done and nobody told how much. */
  readonly amount: number | null;
  /** Target of a day at the step that was practiced; null where that step has none. */
  readonly target: number | null;
}

/** `free`: nothing was planned and nothing came. `open`: today, of which no word has come yet. */
export type DayWord = 'done' | 'partly' | 'saidNotDone' | 'noWord' | 'free' | 'open';

export interface PracticeDay {
  readonly day: CalendarDay;
  readonly word: DayWord;
  readonly planned: number;
  readonly knownDone: number;
}

export interface Practice {
  readonly days: readonly PracticeDay[];
  readonly adherence: AdherenceRange;
  readonly dose: DoseGiven;
}

/**
 * Practice day by day, its adherence range and the share of the dose that was given. A planned task counts as done on a day
 * when at least one report of it says so with an amount above 0 or none told; what was done beyond the plan shows on its day
 * but does not push adherence over what was planned. Today is still open: of it only that counts of which word has come.
 */
export function practiceOf(
  days: readonly CalendarDay[],
  spans: readonly PlannedSpan[],
  reports: readonly PracticeReport[],
  today: CalendarDay,
): Practice {
  const byDay = groupBy(reports, (report) => report.doneOn);
  const counts = { planned: 0, knownDone: 0, saidNotDone: 0 };
  const counted: { task: PlannedTaskDays; told: PracticeReport[] }[] = [];
  const practiceDays = days.map((day): PracticeDay => {
    const asked = tasksAskedOn(day, spans);
    const told = byDay.get(day) ?? [];
    const done = new Set(told.filter(isDone).map((report) => report.taskId));
    const refused = new Set(told.filter((report) => !done.has(report.taskId)).map((report) => report.taskId));
    const due = day === today ? asked.filter((task) => done.has(task.taskId) || refused.has(task.taskId)) : asked;
    const dueDone = due.filter((task) => done.has(task.taskId)).length;
    counts.planned += due.length;
    counts.knownDone += dueDone;
    counts.saidNotDone += due.filter((task) => refused.has(task.taskId)).length;
    counted.push(...due.map((task) => ({ task, told: told.filter((report) => report.taskId === task.taskId) })));
    const word = day === today && told.length === 0 && asked.length > 0 ? 'open' : wordOf(asked, done, refused);
    return { day, planned: due.length, knownDone: dueDone, word };
  });
  return { days: practiceDays, adherence: adherenceRange(counts), dose: doseGiven(counted) };
}

/** A report that says that nothing at all was managed is word, but not of practice done. */
function isDone({ done, amount }: PracticeReport): boolean {
  return done && amount !== 0;
}

function tasksAskedOn(day: CalendarDay, spans: readonly PlannedSpan[]): PlannedTaskDays[] {
  const weekday = weekdayOf(day);
  const asked: PlannedTaskDays[] = [];
  for (const { from, to, tasks } of spans) {
    if (day < from || day > to) continue;
    for (const task of tasks) if (task.weekdays.includes(weekday)) asked.push(task);
  }
  return asked;
}

function wordOf(asked: readonly PlannedTaskDays[], done: ReadonlySet<number>, refused: ReadonlySet<number>): DayWord {
  if (done.size > 0) return asked.every((task) => done.has(task.taskId)) ? 'done' : 'partly';
  if (refused.size > 0) return 'saidNotDone';
  return asked.length > 0 ? 'noWord' : 'free';
}
