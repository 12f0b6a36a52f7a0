import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { factsOf, namesChild } from '@/core/students';
import { plain } from '@/core/text';
import { atStep, safetyBetween, type ChildFacts, type ProgramTask } from '@/core/programs';
import {
  answersOf,
  actionNeedsLead,
  isFollowed,
  isOfStop,
  mostLaterDays,
  silenceActionsOf,
  needsLead,
  needsReason,
  STUCK_DAYS,
  type Decision,
  type DecisionAnswer,
  type SilenceAction,
} from '@/core/review';
import {
  inTransaction,
  isDuplicate,
  lockForTyping,
  savePhrase,
  markClipsSeen,
  markRead,
  settleDecision,
  settleTextsUpTo,
  type NewDecision,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { sendLinkOf } from '../messages/links';
import { invalid, parseInput } from '../parseInput';
import { recordStepChange } from '../programs/nextVersion';
import { hashOf } from '../secrets';
import { regrade } from './regrade';
import { end, pause } from './restActions';
import { loadDecisions, seenKey } from './loadDecisions';
import { keepClosed, lift, see, takeOut, write } from './stopActions';
import { decisionInputSchema, type DecisionInput, type Settling } from './settling';

type AnswerAction = (work: Work, context: Context, actor: PersonActor, settling: Settling) => Promise<void>;

/** Side effects of each answer. Settling the card of a report marks the report as read; snoozing does not. */
const ACTIONS = {
  up: async (...all) => {
    await read(...all);
    await changeStep(1, ...all);
  },
  down: async (...all) => {
    await read(...all);
    await changeStep(-1, ...all);
  },
  hold: async (...all) => {
    await read(...all);
    await doAction(...all);
  },
  read,
  wrote: async (...all) => {
    await read(...all);
    await write(...all);
    await keepSaid(...all);
  },
  later: async () => {},
  seen: see,
  lifted: lift,
  keptClosed: keepClosed,
  takenOut: takeOut,
} satisfies Record<DecisionAnswer, AnswerAction>;

/**
 * Settles one decision. A suggestion is followed by its own move; any other answer is a change or a decline and needs a
 * reason. A changed step makes the next version in the same transaction; its message goes out after the commit.
 * @param holds what must be true of the card besides, seen in the same transaction
 * @throws AppError staleDecision where the evidence changed or somebody settled it, staleVersion, reasonNeeded, unsafeStep, invalid
 */
export async function decide(
  context: Context,
  actor: PersonActor,
  raw: unknown,
  holds: (decision: Decision, openOfChild: readonly Decision[]) => boolean = () => true,
): Promise<{ decisionId: number }> {
  const input = parseInput(decisionInputSchema, raw);
  const { answer, childId, key, reason } = input;
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    // Serializes decisions on a child: the second person sees what the first has settled.
    await lockForTyping(work, childId);
    const { child } = await requireChild(work, actor, childId, needsLead(answer) ? 'changeProgram' : 'settleDecision');
    const { open, programs, today } = await loadDecisions(work, context, [child], child.timeZone);
    const decision = open.find((candidate) => candidate.key === key);
    if (!decision || !holds(decision, open)) throw new AppError('staleDecision');
    if (!answersOf(decision.kind).includes(answer)) throw invalid({ path: 'answer', code: 'notForThisKind' });
    if (needsReason(decision, answer) && reason === '') throw new AppError('reasonNeeded');
    const silenceAction = silenceActionOf(decision, input);
    if (silenceAction === 'called' && reason === '') throw new AppError('reasonNeeded');
    if (answer === 'wrote' && input.words === '') throw invalid({ path: 'words', code: 'empty' });
    if (answer === 'later' && input.laterDays > mostLaterDays(decision.kind)) throw invalid({ path: 'laterDays', code: 'tooLong' });
    const decisionId = await settle(work, {
      ...decision,
      key: keyOf(decision, answer, actor, now),
      answer,
      followed: isFollowed(decision, answer),
      reason,
      decidedBy: actor.personId,
      decidedAt: now,
      laterUntil: comesBackOn(decision, answer, today, input.laterDays),
      silenceAction,
    });
    await ACTIONS[answer](work, context, actor, { input, decision, child, today, program: programs.get(child.id)!, decisionId, at: now });
    await recordChanges(work, now, [entryOf(actor, now, [child.id], `decision.${answer}`, { kind: decision.kind })]);
    return { decisionId };
  });
}

function comesBackOn({ kind }: Decision, answer: DecisionAnswer, today: CalendarDay, laterDays: number): CalendarDay | null {
  if (answer === 'later' || answer === 'keptClosed' || (answer === 'hold' && silenceActionsOf(kind).length > 0))
    return addDays(today, laterDays);
  return kind === 'stuck' && answer === 'hold' ? addDays(today, STUCK_DAYS) : null;
}

/** The action chosen about missing reports; none leaves it. Null for other cards. */
function silenceActionOf({ kind }: Decision, { answer, silenceAction }: DecisionInput): SilenceAction | null {
  const silenceActions = silenceActionsOf(kind);
  if (answer !== 'hold' || silenceActions.length === 0) return null;
  if (silenceAction && !silenceActions.includes(silenceAction)) throw invalid({ path: 'silenceAction', code: 'notForThisKind' });
  return silenceAction ?? 'leftIt';
}

/** Acts on missing reports: sends the family's link again, or pauses or ends the program. */
async function doAction(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  const { input, decision, child } = settling;
  const silenceAction = silenceActionOf(decision, input);
  if (!silenceAction || !actionNeedsLead(silenceAction)) return;
  await requireChild(work, actor, child.id, 'changeProgram');
  if (silenceAction === 'paused') return pause(work, context, actor, settling);
  if (silenceAction === 'ended') return end(work, context, actor, settling);
  await sendLinkOf(work, context, actor, child, silenceAction === 'newLink');
}

/** Seeing a closed task, or writing of it, settles nothing: only lifting it, leaving it closed or taking it out does. */
function keyOf({ key, kind }: Decision, answer: DecisionAnswer, actor: PersonActor, now: number): string {
  if (kind === 'unsafe' && answer === 'wrote') return `${key}:wrote:${now}`;
  if (!isOfStop(kind)) return key;
  return answer === 'seen' ? seenKey(key, actor.personId) : answer === 'wrote' ? `${key}:wrote:${now}` : key;
}

async function settle(work: Work, decision: NewDecision): Promise<number> {
  try {
    return await settleDecision(work, decision);
  } catch (error) {
    if (isDuplicate(error)) throw new AppError('staleDecision');
    throw error;
  }
}

async function read(work: Work, _context: Context, actor: PersonActor, { decision, child, decisionId, at }: Settling): Promise<void> {
  const lastText = decision.textIds.at(-1);
  if (lastText !== undefined) await settleTextsUpTo(work, child.id, lastText, actor.personId, at);
  // Reports so far were seen; a later one makes a new card.
  const lastClip = decision.clipIds.at(-1);
  if (lastClip !== undefined) await markClipsSeen(work, child.id, lastClip, actor.personId, at);
  if (decision.kind !== 'question' && decision.kind !== 'comment') return;
  await markRead(work, { childId: child.id, reportIds: decision.reportIds, personId: actor.personId, at, decisionId });
}

/** Saves a note as a phrase for its writer, by language. A phrase that names a child is offered for that child alone, and deleted with it. */
async function keepSaid(work: Work, context: Context, actor: PersonActor, { input: { words, own }, child }: Settling): Promise<void> {
  const said = { own: own || words, said: words };
  if (namesChild(`${said.own} ${said.said}`, child)) return;
  await savePhrase(work, {
    personId: actor.personId,
    language: child.familyLanguage,
    key: hashOf(plain(said.own)),
    at: context.now(),
    ...said,
  });
}

async function changeStep(by: 1 | -1, work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  const { input, decision, child, program, decisionId } = settling;
  const task = program.tasks.find((candidate) => candidate.taskId === decision.taskId);
  if (!task) throw invalid({ path: 'answer', code: 'noTask' });
  const toStep = task.step + by;
  if (toStep < 1 || toStep > task.content.ladder.steps.length) throw invalid({ path: 'answer', code: 'offLadder' });
  const facts = factsOf(child, calendarDayInZone(context.now(), child.timeZone));
  const reasoned = withReason(atStep(task, toStep, task.stepSinceVersion), facts, input.safetyReason);
  const versionNumber = await regrade(
    work,
    context,
    actor,
    settling,
    (next) => program.tasks.map((each) => (each === task ? { ...reasoned, stepSinceVersion: next } : each)),
    'newStep',
  );
  // A note beside a suggestion that is followed makes it no other decision.
  const cause = isFollowed(decision, input.answer) ? 'suggestion' : 'decided';
  const { taskId, step: fromStep } = task;
  await recordStepChange(work, context, actor, child, { taskId, versionNumber, fromStep, toStep, cause, reason: input.reason, decisionId });
}

/**
 * A step that a rule of safety stops is not reached by one key: a reason is asked for and kept with the task, and what a rule
 * blocks stays blocked. @throws AppError unsafeStep
 */
function withReason(task: ProgramTask, child: ChildFacts, reason: string): ProgramTask {
  const { content, choices, step, chooseFrom, chooseTo } = task;
  const stopped = safetyBetween(content, chooseFrom, chooseTo, child, choices.reasons).filter(({ stops }) => stops);
  if (stopped.length === 0) return task;
  const takesReason = stopped.every(({ finding }) => finding.severity === 'acknowledge');
  const things = stopped.map(({ finding }) => finding.thing?.en ?? finding.rule).join(', ');
  if (!takesReason || reason === '') throw new AppError('unsafeStep', { step, things, takesReason });
  const reasons = Object.fromEntries(stopped.map(({ finding }) => [finding.key, reason]));
  return { ...task, choices: { ...choices, reasons: { ...choices.reasons, ...reasons } } };
}
