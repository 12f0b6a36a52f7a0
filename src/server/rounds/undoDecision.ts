import { changeOfDecision, currentVersions, decisionById, inTransaction, versionOf, type SettledDecision, type Work } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { deliverWaiting } from '../messages/deliverWaiting';
import { recordStepChange, writeNextVersion } from '../programs/nextVersion';

/**
 * Takes a decision back: it is open again. What a family was sent never changes under them, so a taken-back step is one
 * more version with the step as it was. A text that has gone out stays sent.
 * @throws AppError staleVersion where the program went on since; staleDecision where it was undone already.
 */
export async function undoDecision(context: Context, actor: PersonActor, decisionId: number): Promise<{ childId: number; key: string }> {
  const undone = await inTransaction(context.db, async (work) => {
    const decision = await decisionById(work, decisionId);
    if (!decision) throw new AppError('notFound');
    const { child } = await requireChild(work, actor, decision.childId, 'read');
    if (decision.decidedBy !== actor.personId) throw new AppError('notAllowed');
    if (decision.undoneAt !== null) throw new AppError('staleDecision');
    if (decision.answer === 'up' || decision.answer === 'down') {
      await requireChild(work, actor, child.id, 'change');
      await takeStepBack(work, context, actor, decision);
    }
    if (decision.kind === 'safetyWord' || decision.kind === 'question') {
      const reportId = Number(decision.key.split(':').at(-1));
      await work.update('reports', { read_by: null, read_at: null }, { id: reportId, child_id: child.id });
    }
    await work.update('decisions', { undone_at: context.now(), undone_by: actor.personId }, { id: decision.id });
    await auditPerson(work, actor, context.now(), [child.id], 'decision.undone', decision.kind);
    return { childId: child.id, key: decision.key };
  });
  await deliverWaiting(context);
  return undone;
}

async function takeStepBack(work: Work, context: Context, actor: PersonActor, decision: SettledDecision): Promise<void> {
  const change = await changeOfDecision(work, decision.id);
  const { child } = await requireChild(work, actor, decision.childId, 'change');
  const current = (await currentVersions(work, [child.id])).get(child.id);
  const before = change && (await versionOf(work, child.id, change.versionNumber - 1));
  const earlier = before?.tasks.find((task) => task.taskId === change?.taskId);
  const present = current?.tasks.find((task) => task.taskId === change?.taskId);
  if (!change || !current || !earlier || !present || present.step !== change.toStep) throw new AppError('staleVersion');
  const number = await writeNextVersion(work, context, actor, {
    child,
    expectedVersion: current.number,
    startsOn: current.startsOn,
    endsOn: current.endsOn,
    note: current.note,
    reason: 'undo',
    // The old evidence counts again: the step is as if it had never been left.
    tasksFor: () => current.tasks.map((task) => (task === present ? { ...earlier } : task)),
    messageKind: 'newStep',
  });
  await recordStepChange(work, context, actor, child.timeZone, {
    childId: child.id,
    taskId: change.taskId,
    versionNumber: number,
    fromStep: change.toStep,
    toStep: earlier.step,
    why: 'Taken back',
    decisionId: null,
  });
}
