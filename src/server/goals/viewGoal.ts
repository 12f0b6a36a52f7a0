import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { GOAL_PATTERNS, type GoalPattern } from '@/core/goals';
import type { LocalText } from '@/core/text';
import type { Skill } from '@/core/vocabulary';
import { goalHistoryOf, goalsOf, inReading, latestTasks, schoolCalendarOn, type Goal, type GoalVersion } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';

export interface GoalView {
  readonly child: Child;
  readonly today: CalendarDay;
  /** Null for one that is about to be written. */
  readonly goal: Goal | null;
  /** Latest first. */
  readonly history: readonly GoalVersion[];
  readonly patterns: readonly GoalPattern[];
  readonly tasks: readonly { readonly taskId: number; readonly title: LocalText; readonly skills: readonly Skill[] }[];
  /** The end of the reporting period that a new goal is reviewed in; null where no year is set. */
  readonly reviewOn: CalendarDay | null;
}

/** A goal to be written or changed. @param goalId null for a new one @throws AppError notFound, notAllowed */
export async function viewGoal(context: Context, actor: PersonActor, childId: number, goalId: number | null): Promise<GoalView> {
  const view = await inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const today = calendarDayInZone(context.now(), child.timeZone);
    const goal = goalId === null ? null : ((await goalsOf(work, childId)).find(({ id }) => id === goalId) ?? null);
    if (goalId !== null && !goal) throw new AppError('notFound');
    const year = await schoolCalendarOn(work, today);
    return {
      child,
      today,
      goal,
      history: goalId === null ? [] : await goalHistoryOf(work, childId, goalId),
      patterns: GOAL_PATTERNS,
      tasks: (await latestTasks(work)).map(({ taskId, content }) => ({
        taskId,
        title: content.title,
        skills: [content.skill, ...content.otherSkills],
      })),
      reviewOn: year?.periods.find(({ to }) => to > today)?.to ?? (year && year.lastDay > today ? year.lastDay : null),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}
