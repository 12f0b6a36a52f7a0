import type { CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import type { GoalContent } from '@/core/goals';
import type { LocalText } from '@/core/text';
import { goalFigures, type GoalFigures, type GoalLog, type KeptWords } from '@/core/progress';
import { closedGoalsOf, goalWordsOf, tasksGivenSince, type GoalOfChild, type GoalWords, type Work } from '@/db';
import { readFrozen, whatChanged, type ChangedSince } from './frozen';
import { goalLogOf, sinceOf, tasksOfGoal } from './goalLog';
import type { Period } from './periodOn';

/** A goal in the list: by whose standing, and what was measured of it. */
export interface GoalLine {
  readonly goalId: number;
  readonly childId: number;
  readonly childName: string;
  readonly school: string;
  readonly visitDays: string;
  readonly goal: GoalContent;
  readonly own: GoalFigures['own'];
  readonly ownPoints: GoalFigures['ownPoints'];
  /** The day of the last own measure, the baseline among them. */
  readonly lastMeasuredOn: CalendarDay | null;
}

export interface ClosedPeriod {
  readonly id: number;
  readonly periodName: string;
  readonly from: CalendarDay;
  readonly to: CalendarDay;
  readonly closedBy: string;
  readonly closedAt: number;
  readonly figures: GoalFigures;
  readonly goal: GoalContent;
  readonly words: KeptWords;
  /** Changes since then, by what is known now. */
  readonly since: ChangedSince;
}

export interface GoalInFull extends GoalLine {
  readonly child: Child;
  readonly figures: GoalFigures;
  readonly log: GoalLog;
  /** Those that serve it, and those that did since its baseline. */
  readonly tasks: readonly { readonly taskId: number; readonly title: LocalText }[];
  readonly words: GoalWords | null;
  readonly closed: readonly ClosedPeriod[];
}

interface When {
  readonly today: CalendarDay;
  readonly period: Period | null;
}

/** Loads a goal with its log, figures, report text and closed periods. */
export async function goalInFull(
  work: Work,
  goal: GoalOfChild,
  line: GoalLine,
  child: Child,
  { today, period }: When,
): Promise<GoalInFull> {
  const given = await tasksGivenSince(work, child.id, sinceOf(goal.content, today));
  const taskIds = tasksOfGoal(goal.content, given);
  const asked = { childId: child.id, goalId: goal.id, goal: goal.content, taskIds };
  const log = await goalLogOf(work, { ...asked, until: today });
  const closed: ClosedPeriod[] = [];
  for (const each of await closedGoalsOf(work, goal.id)) {
    const frozen = readFrozen(each.content);
    // Also what served it then and was no task of it since: its reports are not gone.
    const then = [...taskIds, ...frozen.log.sessions.map(({ taskId }) => taskId), ...frozen.log.phases.map(({ taskId }) => taskId)];
    const logNow = await goalLogOf(work, { ...asked, goal: frozen.goal, taskIds: [...new Set(then)], until: each.to });
    const since = whatChanged(frozen.figures, goalFigures(frozen.goal, logNow, each.to));
    const { id, periodName, from, to, closedBy, closedAt, words } = each;
    closed.push({ id, periodName, from, to, closedBy, closedAt, words, goal: frozen.goal, figures: frozen.figures, since });
  }
  return {
    ...line,
    child,
    figures: goalFigures(goal.content, log, today),
    log,
    tasks: given.filter(({ taskId }) => taskIds.includes(taskId)).map(({ taskId, title }) => ({ taskId, title })),
    words: period && (await goalWordsOf(work, goal.id, period.from)),
    closed,
  };
}
