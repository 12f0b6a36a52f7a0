import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { factsOf, type Child } from '@/core/child';
import {
  type ProgramTask,
  type ProgramVersion,
  checkProgram,
  contentFor,
  inOrderOfParts,
  programDraftSchema,
  replacedAt,
  type PlannedTask,
  type ProgramDraft,
  type TaskChoices,
} from '@/core/program';
import { reckonDose } from '@/core/dose';
import { currentVersions, inTransaction, taskVersionsById, type TaskVersion, type Work } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { AppError } from '../errors';
import { deliverWaiting } from '../messages/deliverWaiting';
import { recordStepChange, writeNextVersion } from './nextVersion';

const inputSchema = z.object({
  childId: z.number().int().positive(),
  expectedVersion: z.number().int().min(0),
  draft: programDraftSchema,
  cautionsRead: z.boolean(),
});

/**
 * Freezes a draft as the next version, records every changed step, puts the message in the post and, once all is
 * committed, hands it over.
 * @throws AppError invalid with the findings, staleVersion, notFound, notAllowed
 */
export async function sendProgram(context: Context, actor: PersonActor, raw: unknown): Promise<{ versionNumber: number }> {
  const input = inputSchema.safeParse(raw);
  if (!input.success)
    throw new AppError('invalid', { issues: input.error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })) });
  const { childId, expectedVersion, draft, cautionsRead } = input.data;
  const versionNumber = await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'change');
    const tasks = await tasksOfDraft(work, draft);
    const today = calendarDayInZone(context.now(), child.timeZone);
    const findings = checkProgram(
      draft,
      tasks.map((task) => task.content),
      factsOf(child, today),
      today,
    );
    if (findings.some((finding) => finding.severity === 'error')) throw new AppError('invalid', { findings });
    if (findings.some((finding) => finding.severity === 'caution') && !cautionsRead)
      throw new AppError('invalid', { cautionsUnread: true });
    const before = (await currentVersions(work, [childId])).get(childId) ?? null;
    const planned = inOrderOfParts(draft.tasks.map((task, index) => ({ ...task, version: tasks[index]! })));
    const number = await writeNextVersion(work, context, actor, {
      child,
      expectedVersion,
      startsOn: draft.startsOn,
      endsOn: draft.endsOn,
      note: draft.note,
      reason: 'sent',
      tasksFor: (next) => planned.map((task) => toVersionTask(task, task.version, child, before, next)),
      messageKind: 'program',
    });
    for (const { version, step } of planned) {
      const fromStep = before?.tasks.find((task) => task.taskId === version.taskId)?.step ?? null;
      if (fromStep === step) continue;
      const why = fromStep === null ? 'Placed in the program' : 'Set in the program builder';
      await recordStepChange(work, context, actor, child.timeZone, {
        childId,
        taskId: version.taskId,
        versionNumber: number,
        fromStep,
        toStep: step,
        why,
        decisionId: null,
      });
    }
    await work.remove('program_drafts', { child_id: childId });
    await auditPerson(work, actor, context.now(), [childId], 'program.sent', `version ${number}`);
    return number;
  });
  await deliverWaiting(context);
  return { versionNumber };
}

async function tasksOfDraft(work: Work, draft: ProgramDraft): Promise<TaskVersion[]> {
  const known = await taskVersionsById(
    work,
    draft.tasks.map((task) => task.taskVersionId),
  );
  return draft.tasks.map((task, index) => {
    const version = known.get(task.taskVersionId);
    if (!version) throw new AppError('invalid', { issues: [{ path: `tasks.${index}.taskVersionId`, message: 'unknownTask' }] });
    return version;
  });
}

function toVersionTask(
  task: PlannedTask,
  version: TaskVersion,
  child: Child,
  before: ProgramVersion | null,
  number: number,
): Omit<ProgramTask, 'versionTaskId' | 'content'> {
  const earlier = before?.tasks.find((candidate) => candidate.taskId === version.taskId);
  return {
    taskId: version.taskId,
    taskVersionId: version.taskVersionId,
    part: task.part,
    step: task.step,
    chooseFrom: task.chooseFrom,
    chooseTo: task.chooseTo,
    weekdays: [...task.weekdays].sort(),
    dose: task.dose,
    choices: frozenChoices(task.choices, version, child),
    target: reckonDose(task.dose, task.weekdays.length).perDay,
    // The same step goes on: what was done under the earlier version still counts as evidence.
    stepSinceVersion: earlier && earlier.step === task.step ? earlier.stepSinceVersion : number,
  };
}

/** What was chosen for the child, and what the home has now, must not change under the family later: both are written out. */
function frozenChoices(choices: TaskChoices, { content }: TaskVersion, child: Child): TaskChoices {
  const settled = contentFor(content, choices, child.taskSettings);
  return {
    ...choices,
    childSettings: child.taskSettings,
    replaced: replacedAt(settled, child.materialsAtHome, 1, settled.ladder.steps.length),
  };
}
