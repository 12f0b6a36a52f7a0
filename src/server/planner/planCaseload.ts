import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { nameOf, type Child } from '@/core/students';
import { candidatesFor, draftOfWeek, planWeek, wishFor } from '@/core/planner';
import { draftFrom, nextSpan, type ProgramVersion } from '@/core/programs';
import { SKINS } from '@/core/vocabulary';
import { childrenOf, currentVersions, inTransaction, saveWeekPlan, latestTasks, schoolCalendarOn, workplaceOf } from '@/db';
import { requireMay } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { may } from '../may';
import { parseInput } from '../parseInput';
import { candidateOptions, planFactsOf } from './planFacts';
import { changesOf, type Proposal } from './proposal';

const optionsSchema = z.object({
  /** School; all where left out. */
  school: z.string().max(80).default(''),
  theme: z
    .enum(['', ...SKINS])
    .default('')
    .transform((skin) => (skin === '' ? null : skin)),
});

/**
 * Plans the next week of a caseload, a child after the other, on the solver's own thread: what is packed for many is little work for one more. Each proposal is
 * kept as soon as it is made; nothing is sent. Null where it was stopped.
 * @param onChild told after each child; false stops
 * @throws AppError notAllowed, invalid; underWay where this person's is being planned already
 */
export async function planCaseload(
  context: Context,
  actor: PersonActor,
  raw: unknown,
  onChild: (done: number, of: number, own: null) => Promise<boolean>,
): Promise<{ readonly file: null; readonly left: readonly { readonly name: string; readonly why: string }[] } | null> {
  requireMay(actor, 'seeProgress');
  const options = parseInput(optionsSchema, raw);
  // A person has one run at a time: two would share the one solver, and each would delay the other.
  const running = runningOn(context);
  if (running.has(actor.personId)) throw new AppError('underWay');
  running.add(actor.personId);
  try {
    return await planEach(context, actor, options, onChild);
  } finally {
    running.delete(actor.personId);
  }
}

/** People whose caseload is being planned by a context's solver. */
const RUNNING = new WeakMap<Context['solver'], Set<number>>();

function runningOn({ solver }: Context): Set<number> {
  const known = RUNNING.get(solver) ?? new Set<number>();
  RUNNING.set(solver, known);
  return known;
}

async function planEach(
  context: Context,
  actor: PersonActor,
  { school, theme }: z.infer<typeof optionsSchema>,
  onChild: (done: number, of: number, own: null) => Promise<boolean>,
): ReturnType<typeof planCaseload> {
  const now = context.now();
  const { children, programs, facts, library, calendar, today } = await inTransaction(context.db, async (work) => {
    const { timeZone } = await workplaceOf(work);
    const day = calendarDayInZone(now, timeZone);
    const own = (await childrenOf(work, actor.personId)).filter(({ access }) => may(actor, access, 'changeProgram'));
    const chosen = own.map(({ child }) => child).filter((child) => school === '' || child.school === school);
    const ids = chosen.map(({ id }) => id);
    const versions = await currentVersions(work, ids);
    return {
      children: [...chosen].sort((one, other) => one.id - other.id),
      programs: versions,
      facts: await planFactsOf(work, ids, versions),
      library: await latestTasks(work, actor.personId),
      calendar: await schoolCalendarOn(work, day),
      today: day,
    };
  });
  const span = nextSpan(today, calendar);
  const packedBesides: Record<string, number> = {};
  const left: { name: string; why: string }[] = [];
  let done = 0;
  for (const child of children) {
    const program = programs.get(child.id) ?? null;
    const proposal = await proposalFor(child, program);
    await inTransaction(context.db, (work) =>
      saveWeekPlan(work, { childId: child.id, madeAt: now, baseVersion: program?.number ?? 0, content: proposal, by: actor.personId }),
    );
    if (proposal.kind !== 'week') left.push({ name: nameOf(child), why: proposal.kind });
    done += 1;
    if (!(await onChild(done, children.length, null))) return null;
  }
  await context.looks.note(
    entryOf(
      actor,
      now,
      children.map(({ id }) => id),
      'builder.viewed',
    ),
  );
  return { file: null, left };

  async function proposalFor(child: Child, program: ProgramVersion | null): Promise<Proposal> {
    // A rest or an end that somebody decided is not planned over.
    if (program?.isEnded || (program?.resumesOn && program.resumesOn > span.startsOn)) return { kind: 'paused' };
    const own = facts.get(child.id)!;
    const candidates = candidatesFor({ ...candidateOptions(child, today, own, library), theme });
    const answer = await planWeek(wishFor(child, candidates, { packedBesides }), context.solver.solve);
    if (answer.kind !== 'week') return answer;
    const { plan } = answer;
    for (const thing of plan.packs) packedBesides[thing] = (packedBesides[thing] ?? 0) + 1;
    const before = draftFrom(program, today);
    const draft = draftOfWeek({ ...before, ...span, note: '' }, plan, candidates.tasks);
    return {
      kind: 'week',
      draft,
      ...changesOf(plan.placed, program, candidates),
      goals: plan.given.map(({ goalId, asked, given }, place) => ({
        statement: own.goals.find((goal) => goal.goalId === goalId)!.content.statement,
        asked: candidates.goals[place]!.isServed ? asked : null,
        given: Math.round(given),
      })),
      gap: plan.gap,
      left: [],
    };
  }
}
