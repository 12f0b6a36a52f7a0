import type { Child } from '@/core/students';
import { standsAs, stepTakenBack } from '@/core/programs';
import { changesStep, needsLead, type SettledDecision } from '@/core/review';
import {
  changeOfDecision,
  closeAgain,
  currentVersions,
  decisionById,
  deleteNotesOfDecision,
  inTransaction,
  undoDecisionById,
  unmarkRead,
  unseeClips,
  unsettleTexts,
  versionOf,
  versionOfDecision,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import { cancelQueuedMessage } from '../messages/enqueueMessage';
import type { Context } from '../context';
import { AppError } from '../errors';
import { recordStepChange, writeNextVersion } from '../programs/nextVersion';

/**
 * Takes a decision back: it is open again. What a family was sent never changes under them, so a taken-back step is one
 * more version with step, choice and evidence mark as they were; dose, days and settings stay as they are now. Only what
 * this very decision read is unread again. What still waits in the post goes to nobody; of what has gone out a further message
 * says in its own words that it was taken back.
 * @throws AppError notFound, notAllowed, goneOn where the task was set anew since, staleDecision where it was undone already
 */
export async function undoDecision(context: Context, actor: PersonActor, decisionId: number): Promise<{ childId: number; key: string }> {
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const decision = await decisionById(work, decisionId);
    if (!decision) throw new AppError('notFound');
    const { child } = await requireChild(work, actor, decision.childId, needsLead(decision.answer) ? 'changeProgram' : 'settleDecision');
    if (decision.decidedBy !== actor.personId) throw new AppError('notAllowed');
    if (decision.undoneAt !== null) throw new AppError('staleDecision');
    if (decision.answer === 'takenOut') throw new AppError('goneOn');
    const wasTold = !(await cancelQueuedMessage(work, context, child, decision.id));
    if (decision.silenceAction === 'paused' || decision.silenceAction === 'ended')
      await goOnAsBefore(work, context, actor, child, decision, wasTold);
    if (needsLead(decision.answer)) await takeStepBack(work, context, actor, child, decision, wasTold);
    await unmarkRead(work, child.id, decision.id);
    if (decision.kind === 'text') await unsettleTexts(work, child.id, actor.personId, decision.decidedAt);
    if (decision.kind === 'sentBack') await unseeClips(work, child.id, actor.personId, decision.decidedAt);
    await closeAgain(work, child.id, decision.id);
    await deleteNotesOfDecision(work, child.id, decision.id);
    await undoDecisionById(work, decision.id, actor.personId, now);
    await recordChanges(work, now, [entryOf(actor, now, [child.id], 'decision.undone', { kind: decision.kind })]);
    return { childId: child.id, key: decision.key };
  });
}

/** Takes back what a decision did to the program; `wasTold`: its message has gone out. @throws AppError goneOn */
type TakeBack = (
  work: Work,
  context: Context,
  actor: PersonActor,
  child: Child,
  decision: SettledDecision,
  wasTold: boolean,
) => Promise<void>;

/** The practice goes on as it stood before it was paused or ended, where nothing was sent since. */
const goOnAsBefore: TakeBack = async (work, context, actor, child, decision, wasTold) => {
  await requireChild(work, actor, child.id, 'changeProgram');
  const made = await versionOfDecision(work, decision.id);
  const before = made === null ? null : await versionOf(work, child.id, made - 1);
  const current = (await currentVersions(work, [child.id])).get(child.id);
  if (!before || !current || current.number !== made) throw new AppError('goneOn');
  await writeNextVersion(work, context, actor, {
    startsOn: before.startsOn,
    endsOn: before.endsOn,
    resumesOn: before.resumesOn,
    isEnded: before.isEnded,
    note: before.note,
    // Untold, the rest never was: silence counts on from where it stood.
    ...(!wasTold && { sentOn: before.sentOn }),
    child,
    expectedVersion: current.number,
    reason: 'undo',
    tasksFor: () => before.tasks,
    text: wasTold ? 'goesOn' : null,
    decisionId: null,
  });
};

const takeStepBack: TakeBack = async (work, context, actor, child, decision, wasTold) => {
  const change = await changeOfDecision(work, decision.id);
  const current = (await currentVersions(work, [child.id])).get(child.id);
  // A stop that was lifted at the same step, or left closed, changed none.
  if (!change && !changesStep(decision.answer)) return;
  if (!change || !current) throw new AppError('goneOn');
  const { taskId } = change;
  const taskIn = async (number: number) => (await versionOf(work, child.id, number))?.tasks.find((task) => task.taskId === taskId);
  const before = await taskIn(change.versionNumber - 1);
  const left = await taskIn(change.versionNumber);
  const present = current.tasks.find((task) => task.taskId === taskId);
  // Another task may have been regraded since; this one must stand just as the decision left it.
  if (!before || !left || !present || !standsAs(present, left)) throw new AppError('goneOn');
  const versionNumber = await writeNextVersion(work, context, actor, {
    child,
    expectedVersion: current.number,
    startsOn: current.startsOn,
    endsOn: current.endsOn,
    resumesOn: current.resumesOn,
    isEnded: current.isEnded,
    note: current.note,
    reason: 'undo',
    tasksFor: () => current.tasks.map((task) => (task === present ? stepTakenBack(present, before) : task)),
    text: wasTold ? 'takenBack' : null,
    decisionId: null,
  });
  await recordStepChange(work, context, actor, child, {
    taskId,
    versionNumber,
    fromStep: present.step,
    toStep: before.step,
    cause: 'takenBack',
    reason: '',
    decisionId: null,
  });
};
