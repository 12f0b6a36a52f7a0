import { z } from 'zod';
import { patternOf } from '@/core/progress';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import {
  closeGoalPeriod,
  deleteWordingPattern,
  goalWordsOf,
  inTransaction,
  saveWordingPattern,
  openGoalsOf,
  reopenGoalPeriod,
  schoolCalendarOn,
  tasksGivenSince,
  wordingPatternsOf,
  workplaceOf,
  writeGoalWords,
  type GoalOfChild,
  type Work,
} from '@/db';
import { requireChild, requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { freeze } from './frozen';
import { goalLogOf, sinceOf, tasksOfGoal } from './goalLog';
import { periodOn, type Period } from './periodOn';

const target = { childId: z.coerce.number().int().positive(), goalId: z.coerce.number().int().positive() };
const wordsSchema = z.object({
  ...target,
  words: z.string().trim().max(4000, 'tooMuch'),
  /** The built sentences as they stood there when the words were written, as JSON. */
  built: z
    .string()
    .max(8000)
    .default('[]')
    .transform((text, context) => {
      const parsed = builtSchema.safeParse(jsonOf(text));
      if (!parsed.success) context.addIssue({ code: 'custom', message: 'notAForm' });
      return parsed.data ?? [];
    }),
});
const builtSchema = z.array(z.strictObject({ key: z.string().max(20), says: z.string().max(1000) })).max(12);
const closeSchema = z.object({ ...target, early: z.string().optional() });
const reopenSchema = z.object({ ...target, id: z.coerce.number().int().positive() });

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

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

/** Keeps the paragraph as a therapist edited it, for this period; empty brings the built one back. @throws AppError notFound, notAllowed, invalid */
export async function writeWords(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { words, built, ...asked } = parseInput(wordsSchema, raw);
  await inTransaction(context.db, async (work) => {
    const { goal, period } = await goalAndPeriod(work, context, actor, asked);
    const now = context.now();
    await writeGoalWords(work, { goalId: goal.id, from: period.from, words, built, by: actor.personId, at: now });
    await recordChanges(work, now, [entryOf(actor, now, [goal.childId], 'progress.written')]);
  });
}

/**
 * Closes the period for a goal: the log as it is now, with its figures and words, is kept as it is. Closed once, it stays so till it is opened again.
 * @throws AppError notFound, notAllowed, invalid; where the period goes on and nobody said that it is meant, too
 */
export async function closePeriod(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { early, ...asked } = parseInput(closeSchema, raw);
  await inTransaction(context.db, async (work) => {
    const { goal, period, today } = await goalAndPeriod(work, context, actor, asked);
    const now = context.now();
    if (today < period.to && early !== 'yes') throw invalid({ path: 'period', code: 'periodGoesOn' });
    const given = await tasksGivenSince(work, goal.childId, sinceOf(goal.content, today));
    const until = today < period.to ? today : period.to;
    const log = await goalLogOf(work, {
      childId: goal.childId,
      goalId: goal.id,
      goal: goal.content,
      taskIds: tasksOfGoal(goal.content, given),
      until,
    });
    await closeGoalPeriod(work, {
      childId: goal.childId,
      goalId: goal.id,
      periodName: period.name,
      from: period.from,
      to: until,
      content: freeze(goal.content, log, until),
      words: (await goalWordsOf(work, goal.id, period.from)) ?? { words: '', built: [] },
      by: actor.personId,
      at: now,
    });
    await recordChanges(work, now, [entryOf(actor, now, [goal.childId], 'progress.closed')]);
  });
}

/** Opens a closed period of a goal again: its frozen copy is gone, and the trail says who did it. @throws AppError notFound, notAllowed, invalid */
export async function reopenPeriod(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, goalId, id } = parseInput(reopenSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    if (!(await reopenGoalPeriod(work, { childId, goalId, id }))) throw new AppError('notFound');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'progress.reopened')]);
  });
}

const MOST_PATTERNS = 40;
const patternSchema = z.object({
  name: z.string().trim().min(1, 'patternNameMissing').max(60, 'tooMuch'),
  words: z.string().trim().min(1, 'patternEmpty').max(2000, 'tooMuch'),
  /** Student that the text was about: the name is taken out of it. */
  calledName: z.string().max(60).default(''),
});

/** Keeps a way of wording under a name of one's own, without the child's name; the same name again is worded anew. @throws AppError notAllowed, invalid */
export async function savePattern(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'seeProgress');
  const { name, words, calledName } = parseInput(patternSchema, raw);
  await inTransaction(context.db, async (work) => {
    const kept = await wordingPatternsOf(work, actor.personId);
    if (kept.length >= MOST_PATTERNS && !kept.some((each) => each.name === name)) throw invalid({ path: 'name', code: 'tooManyPatterns' });
    await saveWordingPattern(work, actor.personId, name, patternOf(words, calledName));
  });
}

/** @throws AppError notAllowed, notFound, invalid */
export async function deletePattern(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'seeProgress');
  const { id } = parseInput(z.object({ id: z.coerce.number().int().positive() }), raw);
  await inTransaction(context.db, async (work) => {
    if (!(await deleteWordingPattern(work, actor.personId, id))) throw new AppError('notFound');
  });
}
