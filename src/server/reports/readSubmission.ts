import { z } from 'zod';
import { calendarDayInZone, type Instant } from '@/core/calendar';
import { readReport, type RawReport, type ReportContent } from '@/core/sessions';
import type { AskedTask, IntakeLink } from '@/db';
import { AppError } from '../errors';
import { linkHash, refuseClosedLink } from './familyLink';

const envelopeSchema = z.object({
  idempotencyKey: z.uuid(),
  versionTaskId: z.coerce.number().int().positive(),
  corrects: z.union([z.literal(''), z.coerce.number().int().positive()]).optional(),
});

/** A report as it came, with what says where it belongs. */
export interface Envelope {
  readonly tokenHash: string;
  readonly idempotencyKey: string;
  readonly versionTaskId: number;
  /** The report that this one puts right, where it does. */
  readonly corrects: number | null;
  readonly raw: RawReport;
}

/** @throws AppError linkUnknown, invalid */
export function readEnvelope(token: string, raw: RawReport): Envelope {
  const tokenHash = linkHash(token);
  const envelope = envelopeSchema.safeParse(raw);
  if (!envelope.success) throw new AppError('invalid', { issues: [] });
  const { idempotencyKey, versionTaskId, corrects } = envelope.data;
  return { tokenHash, idempotencyKey, versionTaskId, corrects: corrects || null, raw };
}

export interface ReadSubmission {
  readonly link: IntakeLink;
  readonly asked: AskedTask;
  readonly content: ReportContent;
  /** True where the therapist has sent a newer version than the one that was reported on. */
  readonly replaced: boolean;
}

/** Reads the report against its link and the task it points at. @throws AppError link…, notFound, invalid */
export function readWithin(envelope: Envelope, link: IntakeLink | undefined, asked: AskedTask | undefined, now: Instant): ReadSubmission {
  const open = link ?? null;
  refuseClosedLink(open, now);
  if (!asked || asked.childId !== open.childId) throw new AppError('notFound');
  const today = calendarDayInZone(now, open.timeZone);
  const read = readReport(envelope.raw, { today, step: asked.step, chooseFrom: asked.chooseFrom, chooseTo: asked.chooseTo });
  if (!read.ok) throw new AppError('invalid', { issues: read.issues });
  return { link: open, asked, content: read.value, replaced: asked.versionNumber !== open.currentVersion };
}
