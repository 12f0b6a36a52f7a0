import { z } from 'zod';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import {
  closeGoalPeriod,
  currentVersions,
  goalWordsOf,
  inTransaction,
  openGoalsOf,
  schoolCalendarOn,
  workplaceOf,
  writeGoalWords,
  type GoalOfChild,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, noteChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { freeze } from './frozen';
import { goalLogOf, tasksOfGoal } from './goalLog';
import { periodOn, type Period } from './viewProgress';

const target = { childId: z.coerce.number().int().positive(), goalId: z.coerce.number().int().positive() };
const wordsSchema = z.object({ ...target, words: z.string().trim().max(2000, 'tooMuch') });
const closeSchema = z.object(target);

/** The goal, the day and the reporting period that it is about. @throws AppError notFound, notAllowed, invalid where no period is set */
async function goalAndPeriod(
  work: Work,
  context: Context,
  actor: PersonActor,
  { childId, goalId }: { readonly childId: number; readonly goalId: number },
): Promise<{ goal: GoalOfChild; period: Period; today: CalendarDay }> {
  await requireChild(work, actor, childId, 'changeProgram');
  const goal = (await openGoalsOf(work, [childId])).find(({ id }) => id === goalId);
  if (!goal) throw new AppError('notFound');
  const { timeZone } = await workplaceOf(work);
  const today = calendarDayInZone(context.now(), timeZone);
  const period = periodOn(await schoolCalendarOn(work, today), today);
  if (!period) throw invalid({ path: 'period', code: 'noPeriod' });
  return { goal, period, today };
}

/** Keeps what a therapist adds to the built paragraph, for this period; empty takes it away. @throws AppError notFound, notAllowed, invalid */
export async function writeWords(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { words, ...asked } = parseInput(wordsSchema, raw);
  await inTransaction(context.db, async (work) => {
    const { goal, period } = await goalAndPeriod(work, context, actor, asked);
    const now = context.now();
    await writeGoalWords(work, { goalId: goal.id, from: period.from, words, by: actor.personId, at: now });
    await noteChanges(work, now, [entryOf(actor, now, [goal.childId], 'progress.written')]);
  });
}

/**
 * Closes the period for a goal: the log as it is now, with its figures and words, is kept as it is. Closed once, it stays so.
 * @throws AppError notFound, notAllowed, invalid
 */
export async function closePeriod(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const asked = parseInput(closeSchema, raw);
  await inTransaction(context.db, async (work) => {
    const { goal, period, today } = await goalAndPeriod(work, context, actor, asked);
    const now = context.now();
    const program = (await currentVersions(work, [goal.childId])).get(goal.childId);
    const until = today < period.to ? today : period.to;
    const log = await goalLogOf(work, {
      childId: goal.childId,
      goalId: goal.id,
      goal: goal.content,
      taskIds: tasksOfGoal(goal.content, program),
      until,
    });
    await closeGoalPeriod(work, {
      childId: goal.childId,
      goalId: goal.id,
      periodName: period.name,
      from: period.from,
      to: until,
      content: freeze(goal.content, log, until),
      words: (await goalWordsOf(work, goal.id, period.from))?.words ?? '',
      by: actor.personId,
      at: now,
    });
    await noteChanges(work, now, [entryOf(actor, now, [goal.childId], 'progress.closed')]);
  });
}
