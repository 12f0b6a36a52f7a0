import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { candidatesFor, draftOfWeek } from '@/core/planner';
import { draftFrom, nextSpan } from '@/core/programs';
import {
  currentVersions,
  deleteWeekTemplate,
  inTransaction,
  saveWeekPlan,
  saveWeekTemplate,
  latestTasks,
  schoolCalendarOn,
  weekTemplatesOf,
} from '@/db';
import { requireChild, requireMay } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { candidateOptions, planFactsOf } from './planFacts';
import { changesOf, type Proposal } from './proposal';

const MOST_TEMPLATES = 40;
const MOST_CHILDREN = 60;

/** Which tasks on which days; each child does them at a step of its own. */
const contentSchema = z.strictObject({
  tasks: z
    .array(z.strictObject({ taskId: z.number().int().positive(), weekdays: z.array(z.number().int().min(1).max(7)).min(1).max(7) }))
    .min(1, 'noTasks')
    .max(12),
});
export type WeekTemplateContent = z.output<typeof contentSchema>;

const keepSchema = z.object({
  name: z.string().trim().min(1, 'templateNameMissing').max(60, 'tooMuch'),
  content: z.string().max(4000),
});

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Keeps a week to begin from again, under a name of one's own. @throws AppError notAllowed, invalid */
export async function saveTemplate(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'seeProgress');
  const { name, content } = parseInput(keepSchema, raw);
  const tasks = parseInput(contentSchema, jsonOf(content));
  await inTransaction(context.db, async (work) => {
    const kept = await weekTemplatesOf(work, actor.personId);
    if (kept.length >= MOST_TEMPLATES && !kept.some((each) => each.name === name))
      throw invalid({ path: 'name', code: 'tooManyTemplates' });
    await saveWeekTemplate(work, actor.personId, name, tasks);
  });
}

/** @throws AppError notAllowed, notFound, invalid */
export async function deleteTemplate(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'seeProgress');
  const { id } = parseInput(z.object({ id: z.coerce.number().int().positive() }), raw);
  await inTransaction(context.db, async (work) => {
    if (!(await deleteWeekTemplate(work, actor.personId, id))) throw new AppError('notFound');
  });
}

const giveSchema = z.object({
  id: z.coerce.number().int().positive(),
  childIds: z.array(z.coerce.number().int().positive()).min(1, 'noChildren').max(MOST_CHILDREN, 'tooMuch'),
});

/**
 * Proposes a week of one's own for several children: the same tasks, each at the child's own step. What a child may not be given is left out, with its reason.
 * @throws AppError notFound, notAllowed, invalid
 */
export async function giveTemplate(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  requireMay(actor, 'seeProgress');
  const { id, childIds } = parseInput(giveSchema, raw);
  const now = context.now();
  await inTransaction(context.db, async (work) => {
    const kept = (await weekTemplatesOf(work, actor.personId)).find((each) => each.id === id);
    if (!kept) throw new AppError('notFound');
    const { tasks: wanted } = contentSchema.parse(kept.content);
    const library = await latestTasks(work, actor.personId);
    const ids = [...new Set(childIds)];
    const programs = await currentVersions(work, ids);
    const facts = await planFactsOf(work, ids, programs);
    for (const childId of ids) {
      const { child } = await requireChild(work, actor, childId, 'changeProgram');
      const today = calendarDayInZone(now, child.timeZone);
      const program = programs.get(childId) ?? null;
      const candidates = candidatesFor({
        ...candidateOptions(child, today, facts.get(childId)!, library),
        asked: wanted.map(({ taskId }) => taskId),
      });
      const known = new Set(candidates.tasks.map(({ taskId }) => taskId));
      const placed = wanted
        .filter(({ taskId }) => known.has(taskId))
        .map(({ taskId, weekdays }) => {
          const own = weekdays.filter((day) => child.practiceWeekdays.includes(day));
          // A task without any of the family's days gets as many of theirs.
          return { taskId, weekdays: own.length > 0 ? own : child.practiceWeekdays.slice(0, weekdays.length) };
        });
      const span = nextSpan(today, await schoolCalendarOn(work, today));
      const draft = draftOfWeek({ ...draftFrom(program, today), ...span, note: '' }, { placed }, candidates.tasks);
      const proposal: Proposal = {
        kind: 'week',
        draft,
        ...changesOf(placed, program, candidates),
        goals: [],
        gap: null,
        left: candidates.leftOut
          .filter(({ taskId }) => wanted.some((each) => each.taskId === taskId))
          .map(({ title, why }) => ({ title: title.en, why })),
      };
      await saveWeekPlan(work, { childId, madeAt: now, baseVersion: program?.number ?? 0, content: proposal, by: actor.personId });
    }
  });
}
