import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { goalSchema } from '@/core/goals';
import { addGoal, addGoalVersion, closeGoal as close, goalsOf, inTransaction, lockChild } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';

const inputSchema = z.object({
  childId: z.number().int().positive(),
  /** Null for a new goal. */
  goalId: z.number().int().positive().nullable(),
  /** The version that the writer saw. */
  seenVersion: z.number().int().min(0),
  why: z.string().trim().max(300, 'tooMuch'),
  goal: goalSchema,
});

/** Writes a goal, or its next version; earlier ones stay. @throws AppError notFound, notAllowed, invalid, staleRecord */
export async function writeGoal(context: Context, actor: PersonActor, raw: unknown): Promise<{ goalId: number }> {
  const { childId, goalId, seenVersion, why, goal } = parseInput(inputSchema, raw);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    await requireChild(work, actor, childId, 'changeProgram');
    await lockChild(work, childId);
    const writing = { content: goal, why, writtenBy: actor.personId, writtenAt: now };
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'goal.written')]);
    if (goalId === null) return { goalId: await addGoal(work, childId, writing) };
    const before = (await goalsOf(work, childId)).find(({ id }) => id === goalId);
    if (!before) throw new AppError('notFound');
    if (before.version !== seenVersion) throw new AppError('staleRecord');
    await addGoalVersion(work, goalId, seenVersion + 1, writing);
    return { goalId };
  });
}

const closeSchema = z.object({
  childId: z.number().int().positive(),
  goalId: z.number().int().positive(),
  why: z.string().trim().max(300, 'tooMuch'),
  isOpen: z.boolean(),
});

/** Closes a goal that is met or given up, or opens it again. @throws AppError notFound, notAllowed, invalid */
export async function closeGoal(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, goalId, why, isOpen } = parseInput(closeSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    if (!(await goalsOf(work, childId)).some(({ id }) => id === goalId)) throw new AppError('notFound');
    await close(work, goalId, isOpen ? null : calendarDayInZone(now, child.timeZone), isOpen ? '' : why);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'goal.closed')]);
  });
}
