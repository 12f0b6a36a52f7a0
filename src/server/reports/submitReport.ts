import { z } from 'zod';
import { calendarDayInZone } from '@/core/calendar';
import { readReport, type RawReport, type ReportIssue } from '@/core/sessions';
import { addAudit, addReport, correctReport, inTransaction, intakeFacts, isDuplicate, reportById, reportIdByKey, type IntakeFacts } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { linkHash, refuseClosedLink } from './familyLink';

const envelopeSchema = z.object({
  idempotencyKey: z.uuid(),
  versionTaskId: z.coerce.number().int().positive(),
  /** The report that this one puts right, where it does. */
  corrects: z.union([z.literal(''), z.coerce.number().int().positive()]).optional(),
});

export interface TakenReport {
  readonly reportId: number;
  /** True where this very report had come in before. */
  readonly repeated: boolean;
  readonly safetyWord: boolean;
  /** True where the therapist has sent a newer version than the one that was reported on. */
  readonly replaced: boolean;
}

/**
 * Takes in a family's report. A repeat with the same key makes no second one; one for a version that has been replaced is
 * kept with the version and step that were really done.
 * @throws AppError link…, invalid with every issue by field
 */
export async function submitReport(context: Context, token: string, raw: RawReport): Promise<TakenReport> {
  const envelope = envelopeSchema.safeParse(raw);
  if (!envelope.success) throw new AppError('invalid', { issues: [] satisfies ReportIssue[], envelope: true });
  const { idempotencyKey, versionTaskId, corrects } = envelope.data;
  const tokenHash = linkHash(token);
  try {
    return await inTransaction(context.db, async (work) => {
      const now = context.now();
      const facts = await intakeFacts(work, tokenHash, versionTaskId);
      refuseClosedLink(facts, now);
      const asked = askedOf(facts);
      const today = calendarDayInZone(now, facts.timeZone);
      const read = readReport(raw, { today, step: asked.step, chooseFrom: asked.chooseFrom, chooseTo: asked.chooseTo });
      if (!read.ok) throw new AppError('invalid', { issues: read.issues });
      const content = read.value;
      const audit = (action: string) => addAudit(work, { at: now, personId: null, linkId: facts.id, childIds: [facts.childId], action });
      const taken = { repeated: false, safetyWord: content.safetyWord, replaced: facts.versionNumber !== facts.currentVersion };
      if (corrects) {
        const before = await reportById(work, facts.childId, corrects);
        const sameDay = before !== null && calendarDayInZone(before.saidAt, facts.timeZone) === today;
        if (!before || before.versionTaskId !== versionTaskId || !sameDay) throw new AppError('notFound');
        await correctReport(work, before, content, now);
        await audit('report.corrected');
        return { reportId: corrects, ...taken };
      }
      const reportId = await addReport(work, { idempotencyKey, childId: facts.childId, versionTaskId, taskId: asked.taskId, content, saidAt: now, way: 'link', linkId: facts.id });
      await audit('report.taken');
      return { reportId, ...taken };
    });
  } catch (error) {
    if (isDuplicate(error)) return repeatOf(context, tokenHash, versionTaskId, idempotencyKey, error);
    throw error;
  }
}

async function repeatOf(context: Context, tokenHash: string, versionTaskId: number, key: string, cause: unknown): Promise<TakenReport> {
  return inTransaction(context.db, async (work) => {
    const facts = await intakeFacts(work, tokenHash, versionTaskId);
    refuseClosedLink(facts, context.now());
    const reportId = await reportIdByKey(work, facts.childId, key);
    const stored = reportId === null ? null : await reportById(work, facts.childId, reportId);
    if (!stored) throw new AppError('invalid', { issues: [], envelope: true }, cause);
    return { reportId: stored.reportId, repeated: true, safetyWord: stored.safetyWord, replaced: facts.versionNumber !== facts.currentVersion };
  });
}

/** The asked step, or a refusal where the task is not of this child's program. */
function askedOf({ taskId, step, chooseFrom, chooseTo }: IntakeFacts) {
  if (taskId === null || step === null || chooseFrom === null || chooseTo === null) throw new AppError('notFound');
  return { taskId, step, chooseFrom, chooseTo };
}
