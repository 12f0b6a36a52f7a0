import type { DoseUnit } from '../dose';
import { groupBy } from '../groupBy';

/** What was given of one task's dose over the days looked at, in the task's own unit. */
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
  readonly task: { readonly taskId: number; readonly target: number; readonly unit: DoseUnit };
  /** What was told of the task on that day. */
  readonly told: readonly { readonly done: boolean; readonly amount: number | null }[];
}

/**
 * The dose delivered against the dose asked: mean over tasks of min(1, given ÷ asked), each in its own unit, since
 * repetitions and minutes do not add up. Our own definition.
 * @example a task with 30 of 60 repetitions and one with 10 of 5 minutes // share (0.5 + 1) / 2 = 0.75
 */
export function doseGiven(days: readonly DayOfTask[]): DoseGiven {
  const isUncounted = ({ told }: DayOfTask) => told.some((each) => each.done) && told.every((each) => !each.done || each.amount === null);
  const byTask = groupBy(
    days.filter((day) => !isUncounted(day)),
    ({ task }) => `${task.taskId}:${task.unit}`,
  );
  const tasks = [...byTask.values()].map((own): TaskDose => {
    const { taskId, unit } = own[0]!.task;
    const asked = own.reduce((sum, { task }) => sum + task.target, 0);
    const given = own.reduce((sum, { told }) => sum + amountOn(told), 0);
    return { taskId, unit, asked, given, share: Math.min(1, given / asked) };
  });
  tasks.sort((a, b) => a.taskId - b.taskId);
  const share = tasks.length ? tasks.reduce((sum, task) => sum + task.share, 0) / tasks.length : null;
  return { tasks, share, uncounted: days.filter(isUncounted).length };
}

function amountOn(told: DayOfTask['told']): number {
  return told.reduce((sum, { done, amount }) => sum + (done ? (amount ?? 0) : 0), 0);
}
