import { addAudits, addReports, askedTasks, inTransaction, intakeLinks, knownKeys, type Work } from '@/db';
import type { Context } from '../context';
import { AppError } from '../errors';
import { readWithin, type Envelope, type ReadSubmission } from './readSubmission';

export interface TakenReport {
  readonly reportId: number;
  /** True where this very report had come in before. */
  readonly repeated: boolean;
  readonly safetyWord: boolean;
  readonly replaced: boolean;
}

/**
 * Takes in reports together, in one transaction and a constant number of statements. Each gets its own answer: what is wrong
 * with one does not touch the others.
 */
export async function takeReports(context: Context, envelopes: readonly Envelope[]): Promise<(TakenReport | AppError)[]> {
  try {
    return await inTransaction(context.db, (work) => take(work, context, envelopes));
  } catch (error) {
    // A fault of one (a child deleted just now, say) must not refuse its neighbours.
    if (envelopes.length === 1) throw error;
    const single = await Promise.allSettled(envelopes.map((envelope) => takeReports(context, [envelope])));
    return single.map((settled) => (settled.status === 'fulfilled' ? settled.value[0]! : asAppError(settled.reason)));
  }
}

async function take(work: Work, context: Context, envelopes: readonly Envelope[]): Promise<(TakenReport | AppError)[]> {
  const now = context.now();
  const links = await intakeLinks(work, unique(envelopes.map((envelope) => envelope.tokenHash)));
  const tasks = await askedTasks(work, unique(envelopes.map((envelope) => envelope.versionTaskId)));
  const read = envelopes.map((envelope) =>
    readOrRefuse(() => readWithin(envelope, links.get(envelope.tokenHash), tasks.get(envelope.versionTaskId), now)),
  );
  const firstOfKey = new Map<string, ReadSubmission>();
  envelopes.forEach((envelope, index) => {
    const submission = read[index]!;
    if (!(submission instanceof AppError) && !firstOfKey.has(envelope.idempotencyKey)) firstOfKey.set(envelope.idempotencyKey, submission);
  });
  const known = await knownKeys(work, [...firstOfKey.keys()]);
  const stored = await addReports(
    work,
    [...firstOfKey].map(([idempotencyKey, { link, asked, content }]) => ({
      idempotencyKey,
      childId: link.childId,
      versionTaskId: asked.versionTaskId,
      taskId: asked.taskId,
      content,
      saidAt: now,
      way: 'link' as const,
      linkId: link.id,
    })),
  );
  const byKey = new Map(stored.map((report) => [report.idempotencyKey, report]));
  const fresh = [...firstOfKey].filter(([key]) => !known.has(key));
  await addAudits(
    work,
    fresh.map(([, { link }]) => ({ at: now, personId: null, linkId: link.id, childIds: [link.childId], action: 'report.taken' })),
  );
  return envelopes.map((envelope, index) => {
    const submission = read[index]!;
    if (submission instanceof AppError) return submission;
    const report = byKey.get(envelope.idempotencyKey);
    if (!report || report.childId !== submission.link.childId) return new AppError('invalid', { issues: [] });
    const repeated = known.has(envelope.idempotencyKey) || firstOfKey.get(envelope.idempotencyKey) !== submission;
    return { reportId: report.id, repeated, safetyWord: Boolean(report.safetyWord), replaced: submission.replaced };
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

function asAppError(error: unknown): AppError {
  return error instanceof AppError ? error : new AppError('unexpected', null, error);
}

function unique<Item>(items: readonly Item[]): Item[] {
  return [...new Set(items)];
}
