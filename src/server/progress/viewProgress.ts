import { calendarDayInZone, type CalendarDay, type SchoolYear } from '@/core/calendar';
import { nameOf, type Child } from '@/core/child';
import type { GoalContent } from '@/core/goals';
import { groupBy } from '@/core/groupBy';
import type { LocalText } from '@/core/text';
import { goalFigures, type GoalFigures, type GoalLog } from '@/core/progress';
import {
  childrenOf,
  closedGoalsOf,
  currentVersions,
  goalMeasurementsOf,
  goalWordsOf,
  inTransaction,
  openGoalsOf,
  schoolCalendarOn,
  workplaceOf,
  type GoalOfChild,
  type GoalWords,
  type Work,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { readFrozen, whatChanged, type ChangedSince } from './frozen';
import { goalLogOf, tasksOfGoal } from './goalLog';

export type Period = SchoolYear['periods'][number];

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
  readonly words: string;
  /** What of it would be otherwise by what is known now. */
  readonly since: ChangedSince;
}

export interface GoalInFull extends GoalLine {
  readonly child: Child;
  readonly figures: GoalFigures;
  readonly log: GoalLog;
  readonly tasks: readonly { readonly taskId: number; readonly title: LocalText }[];
  readonly words: GoalWords | null;
  readonly closed: readonly ClosedPeriod[];
}

export interface ProgressView {
  readonly today: CalendarDay;
  readonly timeZone: string;
  /** The reporting period that today lies in, or the one before; null where none is set. */
  readonly period: Period | null;
  readonly breaks: SchoolYear['breaks'];
  readonly lines: readonly GoalLine[];
  readonly here: GoalInFull | null;
}

/** Where every goal of a caseload stands, and one of them in full. @throws AppError notFound, notAllowed */
export async function viewProgress(context: Context, actor: PersonActor, goalId: number | null): Promise<ProgressView> {
  requireMay(actor, 'seeProgress');
  const { view, childIds } = await inTransaction(context.db, async (work) => {
    const { goals, children, ...rest } = await loadGoals(work, context, actor);
    const chosen = goalId === null ? goals[0] : goals.find(({ id }) => id === goalId);
    if (goalId !== null && !chosen) throw new AppError('notFound');
    const line = chosen && rest.lines.find((each) => each.goalId === chosen.id);
    const here = chosen && line ? await inFull(work, chosen, line, children.get(chosen.childId)!, rest) : null;
    return { view: { ...rest, here }, childIds: [...children.keys()] };
  });
  await context.looks.note(entryOf(actor, context.now(), childIds, 'progress.viewed'));
  return view;
}

/** The open goals of a caseload that have numbers, each with where it stands. */
export interface CaseloadGoals extends Omit<ProgressView, 'here'> {
  readonly goals: readonly GoalOfChild[];
  readonly children: ReadonlyMap<number, Child>;
}

export async function loadGoals(work: Work, context: Context, actor: PersonActor): Promise<CaseloadGoals> {
  const { timeZone } = await workplaceOf(work);
  const today = calendarDayInZone(context.now(), timeZone);
  const own = (await childrenOf(work, actor.personId)).filter(({ access }) => may(actor, access, 'changeProgram'));
  const children = new Map(own.map(({ child }) => [child.id, child]));
  const childIds = [...children.keys()];
  const measured = groupBy(await goalMeasurementsOf(work, childIds), (each) => each.goalId);
  const goals = (await openGoalsOf(work, childIds)).filter(({ content }) => content.measure.kind !== 'words');
  const lines = goals.map((goal): GoalLine => {
    const child = children.get(goal.childId)!;
    const log = { measurements: measured.get(goal.id) ?? [], sessions: [], phases: [], plannedDays: 0, daysWithoutWord: 0 };
    const { own: standing, ownPoints } = goalFigures(goal.content, log, today);
    return {
      goalId: goal.id,
      childId: child.id,
      childName: nameOf(child),
      school: child.school,
      visitDays: child.visitDays,
      goal: goal.content,
      own: standing,
      ownPoints,
      lastMeasuredOn: ownPoints.at(-1)?.day ?? null,
    };
  });
  const year = await schoolCalendarOn(work, today);
  return { today, timeZone, period: periodOn(year, today), breaks: year?.breaks ?? [], lines, goals, children };
}

/** The reporting period of a day: the one that it lies in, else the last one that is over. */
export function periodOn(year: SchoolYear | null, day: CalendarDay): Period | null {
  const periods = year?.periods ?? [];
  return periods.find(({ from, to }) => from <= day && day <= to) ?? periods.findLast(({ to }) => to < day) ?? null;
}

/** One goal with its log, figures, words and closed periods. */
export async function inFull(
  work: Work,
  goal: GoalOfChild,
  line: GoalLine,
  child: Child,
  { today, period }: Pick<ProgressView, 'today' | 'period'>,
): Promise<GoalInFull> {
  const program = (await currentVersions(work, [child.id])).get(child.id);
  const taskIds = tasksOfGoal(goal.content, program);
  const asked = { childId: child.id, goalId: goal.id, goal: goal.content, taskIds };
  const log = await goalLogOf(work, { ...asked, until: today });
  const closed: ClosedPeriod[] = [];
  for (const each of await closedGoalsOf(work, goal.id)) {
    const frozen = readFrozen(each.content);
    const now = goalFigures(frozen.goal, await goalLogOf(work, { ...asked, goal: frozen.goal, until: each.to }), each.to);
    const { id, periodName, from, to, closedBy, closedAt, words } = each;
    closed.push({
      id,
      periodName,
      from,
      to,
      closedBy,
      closedAt,
      words,
      goal: frozen.goal,
      figures: frozen.figures,
      since: whatChanged(frozen.figures, now),
    });
  }
  return {
    ...line,
    child,
    figures: goalFigures(goal.content, log, today),
    log,
    tasks: (program?.tasks ?? [])
      .filter(({ taskId }) => taskIds.includes(taskId))
      .map(({ taskId, content }) => ({ taskId, title: content.title })),
    words: period && (await goalWordsOf(work, goal.id, period.from)),
    closed,
  };
}
