import type { DoseUnit } from '../dose';
import { groupBy } from '../groupBy';

/** Dose given of one task over a span of days, in the task's own unit. */
export interface TaskDose {
  readonly taskId: number;
  readonly unit: DoseUnit;
  readonly asked: number;
  readonly given: number;
  /** given ÷ asked, at most 1: a surplus of one task hides no lack of another. */
  readonly share: number;
}

export interface DoseGiven {
  readonly tasks: readonly TaskDose[];
  /** Mean of the tasks' shares, 0 to 1; null where nothing was asked. */
  readonly share: number | null;
  /** Days of a task that were done with no amount told: neither asked nor given here. */
  readonly uncounted: number;
}

interface DayOfTask {
  readonly task: { readonly taskId: number; readonly target: number | null; readonly unit: DoseUnit };
  /** Reports on the task for that day; `target` is that of the step that was practiced. */
  readonly told: readonly { readonly done: boolean; readonly amount: number | null; readonly target: number | null }[];
}

/**
 * The dose delivered against the dose asked: mean over tasks of min(1, given ÷ asked), each in its own unit, since
 * repetitions and minutes do not add up. What was done at another step counts by what that step asks for: all of it is a
 * whole day. Days that ask for nothing are left out. Our own definition.
 * @example a task with 30 of 60 repetitions and one with 10 of 5 minutes // share (0.5 + 1) / 2 = 0.75
 */
export function doseGiven(days: readonly DayOfTask[]): DoseGiven {
  const asking = days.filter((day): day is AskingDay => day.task.target !== null);
  const isUncounted = ({ told }: DayOfTask) =>
    told.some((each) => each.done) && told.every((each) => !each.done || each.amount === null || each.target === null);
  const byTask = groupBy(
    asking.filter((day) => !isUncounted(day)),
    ({ task }) => `${task.taskId}:${task.unit}`,
  );
  const tasks = [...byTask.values()].map((own): TaskDose => {
    const { taskId, unit } = own[0]!.task;
    const asked = own.reduce((sum, { task }) => sum + task.target, 0);
    const given = own.reduce((sum, { task, told }) => sum + task.target * sharesOf(told), 0);
    return { taskId, unit, asked, given, share: Math.min(1, given / asked) };
  });
  tasks.sort((a, b) => a.taskId - b.taskId);
  const share = tasks.length ? tasks.reduce((sum, task) => sum + task.share, 0) / tasks.length : null;
  return { tasks, share, uncounted: asking.filter(isUncounted).length };
}

type AskingDay = DayOfTask & { readonly task: { readonly target: number } };

/** Share of a day's target given on each day; 1 is the whole target. */
function sharesOf(told: DayOfTask['told']): number {
  return told.reduce((sum, { done, amount, target }) => sum + (done && target !== null ? (amount ?? 0) / target : 0), 0);
}
