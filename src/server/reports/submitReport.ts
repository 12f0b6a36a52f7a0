import { calendarDayInZone } from '@/core/calendar';
import type { RawReport } from '@/core/sessions';
import { correctReport, inTransaction, intakeLinks, reportById } from '@/db';
import { entryOf, noteChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { readEnvelope, readWithin, type Envelope } from './readSubmission';
import type { TakenReport } from './takeByLink';

/**
 * Takes in a family's report. A repeat with the same key makes no second one; one for a version that has been replaced is
 * kept with the version and step that were really done; `corrects` names a report of the same day that this one puts right.
 * @throws AppError link…, notFound, invalid with every issue by field
 */
export async function submitReport(context: Context, token: string, raw: RawReport): Promise<TakenReport> {
  const envelope = readEnvelope(token, raw);
  return envelope.corrects === null ? context.intake.take(envelope) : putRight(context, envelope, envelope.corrects);
}

async function putRight(context: Context, envelope: Envelope, reportId: number): Promise<TakenReport> {
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { tokenHash, versionTaskId } = envelope;
    const links = await intakeLinks(work, [tokenHash], [versionTaskId]);
    const { link, facts, replaced } = readWithin(envelope, links.get(tokenHash), now);
    const before = await reportById(work, link.childId, reportId);
    const sameDay = before !== null && calendarDayInZone(before.saidAt, link.timeZone) === calendarDayInZone(now, link.timeZone);
    if (!before || before.versionTaskId !== versionTaskId || !sameDay) throw new AppError('notFound');
    await correctReport(work, before, facts, now);
    const family = { kind: 'family', linkId: link.id, childId: link.childId } as const;
    await noteChanges(work, now, [entryOf(family, now, [link.childId], 'report.corrected')]);
    return { reportId, repeated: false, safetyWord: facts.safetyWord, replaced };
  });
}
