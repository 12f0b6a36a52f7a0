import { calendarDayInZone, type CalendarDay, type SchoolYear } from '@/core/calendar';
import { nameOf, type Child } from '@/core/students';
import { groupBy } from '@/core/groupBy';
import { goalFigures } from '@/core/progress';
import {
  childrenOf,
  goalMeasurementsOf,
  inReading,
  openGoalsOf,
  schoolCalendarOn,
  wordingPatternsOf,
  workplaceOf,
  type GoalOfChild,
  type WordingPattern,
  type Work,
} from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { goalInFull, type GoalInFull, type GoalLine } from './goalInFull';
import { periodOn, type Period } from './periodOn';

export interface ProgressView {
  readonly today: CalendarDay;
  readonly timeZone: string;
  /** The reporting period that today lies in, or the one before; null where none is set. */
  readonly period: Period | null;
  readonly breaks: SchoolYear['breaks'];
  readonly lines: readonly GoalLine[];
  readonly here: GoalInFull | null;
  /** How who looks words the usual things. */
  readonly patterns: readonly WordingPattern[];
}

/** Loads the verdicts of all goals of a caseload, and one goal in full. @throws AppError notFound, notAllowed */
export async function viewProgress(context: Context, actor: PersonActor, goalId: number | null): Promise<ProgressView> {
  requireMay(actor, 'seeProgress');
  const { view, childIds } = await inReading(context.db, async (work) => {
    const { goals, children, ...rest } = await loadGoals(work, context, actor);
    const chosen = goalId === null ? goals[0] : goals.find(({ id }) => id === goalId);
    if (goalId !== null && !chosen) throw new AppError('notFound');
    const line = chosen && rest.lines.find((each) => each.goalId === chosen.id);
    const here = chosen && line ? await goalInFull(work, chosen, line, children.get(chosen.childId)!, rest) : null;
    const patterns = await wordingPatternsOf(work, actor.personId);
    return { view: { ...rest, here, patterns }, childIds: [...children.keys()] };
  });
  await context.looks.note(entryOf(actor, context.now(), childIds, 'progress.viewed'));
  return view;
}

/** The open goals of a caseload that have numbers, each with where it stands. */
export interface CaseloadGoals extends Omit<ProgressView, 'here' | 'patterns'> {
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
    const log = { measurements: measured.get(goal.id) ?? [], sessions: [], phases: [], skins: [], plannedDays: 0, daysWithoutWord: 0 };
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
