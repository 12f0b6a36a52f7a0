import type { RawReport } from '@/core/sessions';
import { calendarDayInZone } from '@/core/calendar';
import { addAudit, askedTasks, correctReport, inTransaction, intakeLinks, reportById } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { takeInTurn } from './intakeQueue';
import { readEnvelope, readWithin, type Envelope } from './readSubmission';
import type { TakenReport } from './takeReports';

/**
 * Takes in a family's report. A repeat with the same key makes no second one; one for a version that has been replaced is
 * kept with the version and step that were really done; `corrects` names a report of the same day that this one puts right.
 * @throws AppError link…, notFound, invalid with every issue by field
 */
export async function submitReport(context: Context, token: string, raw: RawReport): Promise<TakenReport> {
  const envelope = readEnvelope(token, raw);
  return envelope.corrects === null ? takeInTurn(context, envelope) : putRight(context, envelope, envelope.corrects);
}

async function putRight(context: Context, envelope: Envelope, reportId: number): Promise<TakenReport> {
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const link = (await intakeLinks(work, [envelope.tokenHash])).get(envelope.tokenHash);
    const asked = (await askedTasks(work, [envelope.versionTaskId])).get(envelope.versionTaskId);
    const read = readWithin(envelope, link, asked, now);
    const before = await reportById(work, read.link.childId, reportId);
    const { timeZone } = read.link;
    const sameDay = before !== null && calendarDayInZone(before.saidAt, timeZone) === calendarDayInZone(now, timeZone);
    if (!before || before.versionTaskId !== envelope.versionTaskId || !sameDay) throw new AppError('notFound');
    await correctReport(work, before, read.content, now);
    await addAudit(work, { at: now, personId: null, linkId: read.link.id, childIds: [read.link.childId], action: 'report.corrected' });
    return { reportId, repeated: false, safetyWord: read.content.safetyWord, replaced: read.replaced };
  });
}
