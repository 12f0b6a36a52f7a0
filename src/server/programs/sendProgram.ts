import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { factsOf } from '@/core/students';
import { checkProgram, sentLadders, inOrderOfParts, programDraftSchema, toFreeze, type ProgramDraft } from '@/core/programs';
import { currentVersions, deleteDraft, inTransaction, taskVersionsById, type TaskVersion, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { recordStepChange, writeNextVersion } from './nextVersion';

const inputSchema = z.object({
  childId: z.number().int().positive(),
  expectedVersion: z.number().int().min(0),
  draft: programDraftSchema,
  cautionsRead: z.boolean(),
});

/**
 * Freezes a draft as the next version, records every changed step and puts the message in the post.
 * @throws AppError invalid with the findings, staleVersion, notFound, notAllowed
 */
export async function sendProgram(context: Context, actor: PersonActor, raw: unknown): Promise<{ versionNumber: number }> {
  const { childId, expectedVersion, draft, cautionsRead } = parseInput(inputSchema, raw);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const versions = await tasksOfDraft(work, draft);
    const today = calendarDayInZone(now, child.timeZone);
    const facts = factsOf(child, today);
    const before = (await currentVersions(work, [childId])).get(childId) ?? null;
    const findings = checkProgram(
      draft,
      versions.map((version) => version.content),
      facts,
      today,
      sentLadders(before),
    );
    if (findings.some((finding) => finding.severity === 'error')) throw new AppError('invalid', { findings });
    if (findings.some((finding) => finding.severity === 'caution') && !cautionsRead)
      throw new AppError('invalid', { cautionsUnread: true });
    const planned = inOrderOfParts(draft.tasks.map((task, index) => ({ ...task, version: versions[index]! })));
    const versionNumber = await writeNextVersion(work, context, actor, {
      child,
      expectedVersion,
      startsOn: draft.startsOn,
      endsOn: draft.endsOn,
      resumesOn: null,
      isEnded: false,
      note: draft.note,
      reason: 'sent',
      tasksFor: (next) => planned.map((task) => toFreeze(task, task.version, facts, before, next)),
      text: 'program',
      decisionId: null,
    });
    for (const { version, step } of planned) {
      const { taskId } = version;
      const fromStep = before?.tasks.find((task) => task.taskId === taskId)?.step ?? null;
      if (fromStep === step) continue;
      const cause = fromStep === null ? 'placed' : 'setInBuilder';
      await recordStepChange(work, context, actor, child, {
        taskId,
        versionNumber,
        fromStep,
        toStep: step,
        cause,
        reason: '',
        decisionId: null,
      });
    }
    await deleteDraft(work, childId);
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'program.sent', { version: versionNumber })]);
    return { versionNumber };
  });
}

async function tasksOfDraft(work: Work, draft: ProgramDraft): Promise<TaskVersion[]> {
  const known = await taskVersionsById(
    work,
    draft.tasks.map((task) => task.taskVersionId),
  );
  return draft.tasks.map((task, index) => {
    const version = known.get(task.taskVersionId);
    if (!version) throw invalid({ path: `tasks.${index}.taskVersionId`, code: 'unknownTask' });
    return version;
  });
}
