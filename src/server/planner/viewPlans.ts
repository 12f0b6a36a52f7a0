import { z } from 'zod';
import { nameOf } from '@/core/students';
import { programDraftSchema } from '@/core/programs';
import {
  childrenOf,
  currentVersions,
  draftOf,
  deleteWeekPlan,
  inReading,
  inTransaction,
  latestTasks,
  saveDraft as writeDraft,
  weekPlansOf,
  weekTemplatesOf,
  type Work,
} from '@/db';
import { requireChild, requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { parseInput } from '../parseInput';
import type { WeekTemplateContent } from './weekTemplates';
import type { Proposal } from './proposal';

export interface PlanLine {
  readonly childId: number;
  readonly name: string;
  readonly school: string;
  readonly proposal: Proposal;
  /** Another version went out since: it goes on from what is no more. */
  readonly isStale: boolean;
  /** A draft of somebody's own hands waits in the builder: taking the proposal would write over it. */
  readonly hasDraft: boolean;
}

export interface PlansView {
  readonly children: readonly { readonly childId: number; readonly name: string; readonly school: string }[];
  /** Weeks of one's own to begin from. */
  readonly templates: readonly { readonly id: number; readonly name: string; readonly tasks: readonly string[] }[];
  readonly schools: readonly string[];
  readonly lines: readonly PlanLine[];
}

/** Lists the planner's proposals for a caseload. @throws AppError notAllowed */
export async function viewPlans(context: Context, actor: PersonActor): Promise<PlansView> {
  requireMay(actor, 'seeProgress');
  const { view, ids } = await inReading(context.db, async (work) => {
    const own = (await childrenOf(work, actor.personId)).filter(({ access }) => may(actor, access, 'changeProgram'));
    const children = new Map(own.map(({ child }) => [child.id, child]));
    const childIds = [...children.keys()];
    const versions = await currentVersions(work, childIds);
    const lines: PlanLine[] = [];
    for (const { childId, baseVersion, content } of await weekPlansOf(work, childIds)) {
      const child = children.get(childId)!;
      lines.push({
        childId,
        name: nameOf(child),
        school: child.school,
        proposal: content as Proposal,
        isStale: (versions.get(childId)?.number ?? 0) !== baseVersion,
        hasDraft: await hasOwnDraft(work, childId),
      });
    }
    lines.sort((one, other) => one.name.localeCompare(other.name));
    return {
      view: {
        children: own.map(({ child }) => ({ childId: child.id, name: nameOf(child), school: child.school })),
        templates: await templatesOf(work, actor.personId),
        schools: [...new Set(own.map(({ child }) => child.school))].sort(),
        lines,
      },
      ids: lines.map(({ childId }) => childId),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), ids, 'builder.viewed'));
  return view;
}

async function templatesOf(work: Work, personId: number): Promise<PlansView['templates']> {
  const kept = await weekTemplatesOf(work, personId);
  if (kept.length === 0) return [];
  const titles = new Map((await latestTasks(work, personId)).map(({ taskId, content }) => [taskId, content.title.en]));
  return kept.map(({ id, name, content }) => ({
    id,
    name,
    tasks: (content as WeekTemplateContent).tasks.flatMap(({ taskId }) => titles.get(taskId) ?? []),
  }));
}

/** True where somebody placed something in a draft that is not the planner's alone. */
async function hasOwnDraft(work: Work, childId: number): Promise<boolean> {
  const saved = await draftOf(work, childId);
  const parsed = saved && programDraftSchema.safeParse(saved.content);
  return Boolean(parsed?.success && parsed.data.tasks.some(({ mark }) => mark !== 'filled'));
}

const oneSchema = z.object({ childId: z.coerce.number().int().positive() });

/**
 * Takes a proposal as the child's draft, to be looked at and sent in the builder.
 * @throws AppError notFound, notAllowed, invalid; staleVersion where another version went out since
 */
export async function acceptPlan(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId } = parseInput(oneSchema, raw);
  await inTransaction(context.db, (work) => takeOne(work, context, actor, childId));
}

async function takeOne(work: Work, context: Context, actor: PersonActor, childId: number): Promise<void> {
  await requireChild(work, actor, childId, 'changeProgram');
  const [plan] = await weekPlansOf(work, [childId]);
  const proposal = plan?.content as Proposal | undefined;
  if (!plan || proposal?.kind !== 'week') throw new AppError('notFound');
  const current = (await currentVersions(work, [childId])).get(childId)?.number ?? 0;
  if (current !== plan.baseVersion) throw new AppError('staleVersion', { expected: plan.baseVersion, current });
  const now = context.now();
  await writeDraft(work, childId, programDraftSchema.parse(proposal.draft), actor.personId, now);
  await deleteWeekPlan(work, childId);
  await recordChanges(work, now, [entryOf(actor, now, [childId], 'plan.taken')]);
}

/** Takes every proposal that writes over nobody's draft and that goes on from what the family has; the rest stays. @throws AppError notAllowed */
export async function acceptAllPlans(context: Context, actor: PersonActor): Promise<void> {
  const { lines } = await viewPlans(context, actor);
  for (const { childId, proposal, isStale, hasDraft } of lines)
    if (proposal.kind === 'week' && !isStale && !hasDraft)
      await inTransaction(context.db, (work) => takeOne(work, context, actor, childId));
}

/** Throws a proposal away. @throws AppError notFound, notAllowed, invalid */
export async function deletePlan(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId } = parseInput(oneSchema, raw);
  await inTransaction(context.db, async (work) => {
    await requireChild(work, actor, childId, 'changeProgram');
    if (!(await deleteWeekPlan(work, childId))) throw new AppError('notFound');
  });
}
