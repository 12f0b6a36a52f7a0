import { z } from 'zod';
import { calendarDayInZone, type CalendarDay, type Instant } from '@/core/calendar';
import { readForm, type RawReport, type SessionFacts } from '@/core/reports';
import type { AskedTask, IntakeLink } from '@/db';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { linkHash, refuseClosedLink } from './familyLink';

const envelopeSchema = z.object({
  idempotencyKey: z.uuid(),
  versionTaskId: z.coerce.number().int().positive(),
  corrects: z.union([z.literal(''), z.coerce.number().int().positive()]).optional(),
});

/** A report as it came by a link, with what says where it belongs. */
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
  const { idempotencyKey, versionTaskId, corrects } = parseInput(envelopeSchema, raw);
  return { tokenHash, idempotencyKey, versionTaskId, corrects: corrects || null, raw };
}

export interface ReadSubmission {
  readonly link: IntakeLink;
  readonly asked: AskedTask;
  readonly facts: SessionFacts;
  /** True where a newer version than the one that was reported on holds by now. */
  readonly replaced: boolean;
}

/** The day at a moment by zone, reckoned once a zone: a batch of reports asks many times. */
export function dayAt(now: Instant): (timeZone: string) => CalendarDay {
  const days = new Map<string, CalendarDay>();
  return (timeZone) => {
    const day = days.get(timeZone) ?? calendarDayInZone(now, timeZone);
    days.set(timeZone, day);
    return day;
  };
}

/** Reads the report against its link and the task it points at. @throws AppError link…, notFound, invalid */
export function readWithin(envelope: Envelope, link: IntakeLink | undefined, now: Instant, today = dayAt(now)): ReadSubmission {
  const open = link ?? null;
  refuseClosedLink<IntakeLink>(open, now);
  const asked = open.asked.find((task) => task.versionTaskId === envelope.versionTaskId);
  if (!asked) throw new AppError('notFound');
  const day = today(open.timeZone);
  const { step, chooseFrom, chooseTo, takesHalves } = asked;
  const read = readForm(envelope.raw, { today: day, step, chooseFrom, chooseTo, takesHalves });
  if (!read.ok) throw new AppError('invalid', { issues: read.issues });
  const hasBegun = open.currentStartsOn !== null && open.currentStartsOn <= day;
  return { link: open, asked, facts: read.value, replaced: hasBegun && asked.versionNumber !== open.currentVersion };
}
