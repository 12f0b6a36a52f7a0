import { randomUUID } from 'node:crypto';
import { calendarDayInZone } from '@/core/calendar';
import type { ReportWay, SessionFacts } from '@/core/reports';
import { addJobs, addReports, type StoredReport, type Work } from '@/db';
import type { Context } from '../context';
import { injuryEmailJob } from '../jobs/jobs';

/** The way a report came, and who entered it: the family itself by its link or a text, or a person on its behalf. */
export type Origin =
  | { readonly way: Extract<ReportWay, 'link'>; readonly linkId: number }
  /** `incomingId`: the text as it came, where a person had to look at it. */
  | { readonly way: Extract<ReportWay, 'text' | 'teacher'>; readonly incomingId: number | null }
  | { readonly way: Exclude<ReportWay, 'link' | 'text'>; readonly enteredBy: number };

/** A report as `checkSession` has judged it, with where it belongs. */
export interface ItemToTake {
  readonly idempotencyKey: string;
  readonly childId: number;
  readonly versionTaskId: number;
  readonly taskId: number;
  readonly facts: SessionFacts;
  readonly origin: Origin;
}

/**
 * The one way into the reports, whichever way word came by: all of them in one statement. One whose key is known already
 * stands as it first came.
 */
export async function takeIn(work: Work, context: Context, items: readonly ItemToTake[]): Promise<Map<string, StoredReport>> {
  const saidAt = context.now();
  const stored = await addReports(
    work,
    items.map(({ idempotencyKey, childId, versionTaskId, taskId, facts, origin }) => ({
      idempotencyKey,
      childId,
      versionTaskId,
      taskId,
      facts,
      saidAt,
      way: origin.way,
      linkId: origin.way === 'link' ? origin.linkId : null,
      incomingId: 'incomingId' in origin ? origin.incomingId : null,
      enteredBy: 'enteredBy' in origin ? origin.enteredBy : null,
    })),
    randomUUID(),
  );
  // A report by a link is one statement and no more: of it the trail tells the lead.
  const byPerson = new Set(items.filter(({ origin }) => origin.way !== 'link').map(({ idempotencyKey }) => idempotencyKey));
  const hurt = new Set(
    stored
      .filter(({ safetyWord, fresh, idempotencyKey }) => safetyWord && fresh && byPerson.has(idempotencyKey))
      .map(({ childId }) => childId),
  );
  const day = calendarDayInZone(saidAt, 'UTC');
  if (hurt.size > 0)
    await addJobs(
      work,
      [...hurt].map((childId) => injuryEmailJob(childId, day, saidAt)),
    );
  return new Map(stored.map((report) => [report.idempotencyKey, report]));
}
