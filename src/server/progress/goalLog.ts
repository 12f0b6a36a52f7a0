import { practiceOf } from '@/core/adherence';
import { addDays, daysFromTo, type CalendarDay } from '@/core/calendar';
import { servesGoal, type GoalContent } from '@/core/goals';
import { plannedSpans } from '@/core/programs';
import type { GoalLog } from '@/core/progress';
import { gradeChanges, measurementsOf, practiceSince, sessionsOfTasks, skinChanges, versionsSince, type GivenTask, type Work } from '@/db';

const MOST_MEASURES = 500;

/** From when on there may be something to tell of a goal: its baseline; half a year where it has none. */
export function sinceOf({ measure }: GoalContent, until: CalendarDay): CalendarDay {
  return measure.kind === 'words' ? addDays(until, -180) : measure.baselineOn;
}

/** The tasks that serve a goal: those that it names, and those of its skill that were given since its baseline, where it names none. */
export function tasksOfGoal(goal: GoalContent, given: readonly GivenTask[]): number[] {
  const serving = given.filter((task) => servesGoal(goal, task));
  return [...new Set([...goal.taskIds, ...serving.map(({ taskId }) => taskId)])];
}

/** All that was written down about a goal, from its baseline up to a day. */
export async function goalLogOf(
  work: Work,
  {
    childId,
    goalId,
    goal,
    taskIds,
    until,
  }: { childId: number; goalId: number; goal: GoalContent; taskIds: readonly number[]; until: CalendarDay },
): Promise<GoalLog> {
  const from = sinceOf(goal, until);
  const measurements = (await measurementsOf(work, childId, MOST_MEASURES)).filter(
    (each) => each.goalId === goalId && each.measuredOn <= until,
  );
  const sessions = (await sessionsOfTasks(work, childId, taskIds)).filter(({ doneOn }) => doneOn >= from && doneOn <= until);
  const changes = (await gradeChanges(work, [childId])).filter(({ taskId }) => taskIds.includes(taskId));
  const versions = (await versionsSince(work, [childId], from)).get(childId) ?? [];
  const ofTheseTasks = versions.map((version) => ({ ...version, tasks: version.tasks.filter(({ taskId }) => taskIds.includes(taskId)) }));
  const reports = ((await practiceSince(work, [childId], from)).get(childId) ?? []).filter(({ taskId }) => taskIds.includes(taskId));
  const days = from > until ? [] : daysFromTo(from, until);
  const practice = practiceOf(days, plannedSpans(ofTheseTasks), reports, until);
  const planned = practice.days.filter(({ word, planned: count }) => word !== 'free' && count > 0);
  return {
    measurements: measurements.map(({ id, goalId: of, taskId, step, measuredOn, good, trials, help, level, minutes, watched, note }) => ({
      id,
      goalId: of,
      taskId,
      step,
      measuredOn,
      good,
      trials,
      help,
      level,
      minutes,
      watched,
      note,
    })),
    sessions: sessions.map(
      ({ reportId, taskId, doneOn, step, versionNumber, done, amount, target, help, effort, stopReason, safetyWord }) => ({
        reportId,
        taskId,
        doneOn,
        step,
        versionNumber,
        done,
        amount,
        target,
        help,
        effort,
        stopReason,
        safetyWord,
      }),
    ),
    phases: changes.map(({ taskId, toStep, changedOn }) => ({ taskId, step: toStep, from: changedOn })),
    skins: (await skinChanges(work, childId)).filter(({ taskId }) => taskIds.includes(taskId)),
    plannedDays: planned.length,
    daysWithoutWord: planned.filter(({ word }) => word === 'noWord').length,
  };
}
