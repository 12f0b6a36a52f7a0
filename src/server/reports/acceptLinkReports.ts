import { inOneWrite, intakeLinks, type Work } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { dayAt, readWithin, type Envelope, type ReadSubmission } from './readSubmission';
import { keysOfFull, DailyReportLimit, dayBefore } from './dailyReportLimit';
import { takeIn } from './takeIn';
import type { Taken } from './takenReport';

/**
 * Takes in reports that came by links together, in one durable statement. Each gets its own answer: what is wrong
 * with one does not touch the others. The trail is appended from the reports themselves.
 */
export async function acceptLinkReports(context: Context, envelopes: readonly Envelope[]): Promise<Taken[]> {
  try {
    return await inOneWrite(context.db, (work) => take(work, context, envelopes));
  } catch (error) {
    // A fault of one (a child deleted just now, say) must not refuse its neighbours.
    if (envelopes.length === 1) return [{ ok: false, error }];
    const single = await Promise.all(envelopes.map((envelope) => acceptLinkReports(context, [envelope])));
    return single.flat();
  }
}

async function take(work: Work, context: Context, envelopes: readonly Envelope[]): Promise<Taken[]> {
  const now = context.now();
  const today = dayAt(now);
  const links = await intakeLinks(work, unique(envelopes, 'tokenHash'), unique(envelopes, 'versionTaskId'), dayBefore(now));
  const taken = new DailyReportLimit(await keysOfFull(work, envelopes, links));
  const read = envelopes.map((envelope) =>
    readOrRefuse(() => {
      const submission = readWithin(envelope, links.get(envelope.tokenHash), now, today);
      taken.refuseOver(envelope, submission);
      return submission;
    }),
  );
  const firstOfKey = new Map<string, ReadSubmission>();
  envelopes.forEach(({ idempotencyKey }, index) => {
    const submission = read[index]!;
    if (!(submission instanceof AppError) && !firstOfKey.has(idempotencyKey)) firstOfKey.set(idempotencyKey, submission);
  });
  const stored = await takeIn(
    work,
    context,
    [...firstOfKey].map(([idempotencyKey, { link, asked, facts }]) => ({
      idempotencyKey,
      childId: link.childId,
      versionTaskId: asked.versionTaskId,
      taskId: asked.taskId,
      facts,
      origin: { way: 'link', linkId: link.id },
    })),
  );
  return envelopes.map(({ idempotencyKey }, index): Taken => {
    const submission = read[index]!;
    if (submission instanceof AppError) return { ok: false, error: submission };
    const report = stored.get(idempotencyKey);
    // A key that is another child's tells nothing of that child.
    if (!report || report.childId !== submission.link.childId) {
      return { ok: false, error: new AppError('invalid', { issues: [{ path: 'idempotencyKey', code: 'taken' }] }) };
    }
    const repeated = !report.fresh || firstOfKey.get(idempotencyKey) !== submission;
    return { ok: true, report: { reportId: report.id, repeated, safetyWord: report.safetyWord, replaced: submission.replaced } };
  });
}

function readOrRefuse(read: () => ReadSubmission): ReadSubmission | AppError {
  try {
    return read();
  } catch (error) {
    if (error instanceof AppError) return error;
    throw error;
  }
}

function unique<Key extends keyof Envelope>(envelopes: readonly Envelope[], key: Key): Envelope[Key][] {
  return [...new Set(envelopes.map((envelope) => envelope[key]))];
}
