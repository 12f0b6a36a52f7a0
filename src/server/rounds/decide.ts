import { z } from 'zod';
import { addDays, calendarDayInZone } from '@/core/calendar';
import { factsOf, type Child } from '@/core/child';
import { type ProgramTask, type ProgramVersion, safetyBetween } from '@/core/program';
import type { Decision } from '@/core/rounds';
import { addMessage, inTransaction, isDuplicate, type DecisionAnswer, type Work } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { deliverWaiting } from '../messages/deliverWaiting';
import { recordStepChange, writeNextVersion } from '../programs/nextVersion';
import { loadDecisions } from './loadDecisions';

const inputSchema = z.object({
  childId: z.coerce.number().int().positive(),
  key: z.string().min(1).max(120),
  answer: z.enum(['up', 'down', 'hold', 'read', 'wrote', 'later']),
  expectedVersion: z.coerce.number().int().min(0),
  reason: z.string().trim().max(400).default(''),
  /** For `wrote`: what goes to the family. */
  words: z.string().trim().max(600).default(''),
  laterDays: z.coerce.number().int().min(1).max(30).default(2),
});

type Input = z.infer<typeof inputSchema>;

/**
 * Settles one decision. A suggestion is followed by its own move; any other answer is a change or a decline and needs a
 * reason. A changed step makes the next version in the same transaction.
 * @throws AppError staleDecision where the evidence changed or somebody settled it, staleVersion, reasonNeeded, unsafeStep, invalid
 */
export async function decide(context: Context, actor: PersonActor, raw: unknown): Promise<{ decisionId: number }> {
  const parsed = inputSchema.safeParse(raw);
  if (!parsed.success)
    throw new AppError('invalid', { issues: parsed.error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })) });
  const input = parsed.data;
  const decisionId = await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, input.childId, changesProgram(input.answer) ? 'change' : 'read');
    const { open, programs, today } = await loadDecisions(work, context, [child], child.timeZone);
    const decision = open.find((candidate) => candidate.key === input.key);
    if (!decision) throw new AppError('staleDecision');
    const followed = isFollowed(decision, input.answer);
    if (!followed && input.answer !== 'later' && input.reason === '') throw new AppError('reasonNeeded');
    if (input.answer === 'wrote' && input.words === '') throw new AppError('invalid', { issues: [{ path: 'words', message: 'empty' }] });
    const id = await storeDecision(work, {
      child_id: child.id,
      task_id: decision.taskId,
      kind: decision.kind,
      decision_key: decision.key,
      answer: input.answer,
      followed,
      reason: input.reason,
      suggestion: decision.suggestion,
      decided_by: actor.personId,
      decided_at: context.now(),
      later_until: input.answer === 'later' ? addDays(today, input.laterDays) : null,
    });
    await carryOut(work, context, actor, { input, decision, child, program: programs.get(child.id)!, decisionId: id });
    await auditPerson(work, actor, context.now(), [child.id], `decision.${input.answer}`, decision.kind);
    return id;
  });
  await deliverWaiting(context);
  return { decisionId };
}

function changesProgram(answer: DecisionAnswer): boolean {
  return answer === 'up' || answer === 'down';
}

/** What has no suggestion is followed by any answer that settles it. */
function isFollowed({ suggestion, kind }: Decision, answer: DecisionAnswer): boolean {
  if (!suggestion || suggestion.move === 'ladderEnd') return !changesProgram(answer);
  return kind === 'ready' ? answer === 'up' : answer === 'down';
}

async function storeDecision(work: Work, values: Parameters<typeof work.insert<'decisions'>>[1]): Promise<number> {
  try {
    return await work.insert('decisions', values);
  } catch (error) {
    if (isDuplicate(error)) throw new AppError('staleDecision', null, error);
    throw error;
  }
}

interface Deed {
  readonly input: Input;
  readonly decision: Decision;
  readonly child: Child;
  readonly program: ProgramVersion;
  readonly decisionId: number;
}

async function carryOut(work: Work, context: Context, actor: PersonActor, deed: Deed): Promise<void> {
  const { input, decision, child } = deed;
  if (decision.reportIds.length && (decision.kind === 'safetyWord' || decision.kind === 'question') && input.answer !== 'later') {
    for (const id of decision.reportIds)
      await work.update('reports', { read_by: actor.personId, read_at: context.now() }, { id, child_id: child.id });
  }
  if (input.answer === 'wrote') {
    await addMessage(work, { childId: child.id, kind: 'note', words: input.words, createdBy: actor.personId, createdAt: context.now() });
  }
  if (changesProgram(input.answer)) await changeStep(work, context, actor, deed);
}

async function changeStep(
  work: Work,
  context: Context,
  actor: PersonActor,
  { input, decision, child, program, decisionId }: Deed,
): Promise<void> {
  const task = program.tasks.find((candidate) => candidate.taskId === decision.taskId);
  if (!task) throw new AppError('invalid', { issues: [{ path: 'answer', message: 'noTask' }] });
  const toStep = task.step + (input.answer === 'up' ? 1 : -1);
  if (toStep < 1 || toStep > task.content.ladder.steps.length)
    throw new AppError('invalid', { issues: [{ path: 'answer', message: 'offLadder' }] });
  refuseUnsafe(atStep(task, toStep, task.stepSinceVersion), factsOf(child, calendarDayInZone(context.now(), child.timeZone)));
  const number = await writeNextVersion(work, context, actor, {
    child,
    expectedVersion: input.expectedVersion,
    startsOn: program.startsOn,
    endsOn: program.endsOn,
    note: program.note,
    reason: 'regrade',
    tasksFor: (next) => program.tasks.map((each) => (each === task ? atStep(task, toStep, next) : each)),
    messageKind: 'newStep',
  });
  const followed = isFollowed(decision, input.answer);
  const why = input.reason || (followed ? ruleInWords(decision) : '');
  await recordStepChange(work, context, actor, child.timeZone, {
    childId: child.id,
    taskId: task.taskId,
    versionNumber: number,
    fromStep: task.step,
    toStep,
    why,
    decisionId,
  });
}

/** A step that a rule of safety stops is not reached by one key: the builder shows the rule and takes a reason. */
function refuseUnsafe({ content, choices, step, chooseFrom, chooseTo }: ProgramTask, child: ReturnType<typeof factsOf>): void {
  const stopped = safetyBetween(content, chooseFrom, chooseTo, child, choices.reasons).filter(({ stops }) => stops);
  if (stopped.length)
    throw new AppError('unsafeStep', { step, things: stopped.map(({ finding }) => finding.thing?.en ?? finding.rule).join(', ') });
}

/** The task at another step; the steps that the family may choose between move along. */
export function atStep(task: ProgramTask, toStep: number, stepSinceVersion: number): ProgramTask {
  const last = task.content.ladder.steps.length;
  const shift = toStep - task.step;
  return {
    ...task,
    step: toStep,
    chooseFrom: Math.min(toStep, Math.max(1, task.chooseFrom + shift)),
    chooseTo: Math.max(toStep, Math.min(last, task.chooseTo + shift)),
    stepSinceVersion,
  };
}

function ruleInWords({ suggestion }: Decision): string {
  if (!suggestion) return '';
  const { evidence } = suggestion;
  return suggestion.move === 'up'
    ? `Streak rule: ${evidence.reachedInARow} reached in a row on ${evidence.reachedOnDays} days`
    : `Streak rule: ${evidence.struggledInARow} struggled in a row`;
}
