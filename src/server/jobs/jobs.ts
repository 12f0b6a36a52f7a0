import { z } from 'zod';
import { AUDIT_ACTIONS } from '@/core/auditActions';
import { instant, type Instant } from '@/core/calendar';
import type { AuditEntry, NewJob } from '@/db';
import { hashOf } from '../secrets';

/** The payload of each kind of job: work that is done after a commit. */
export const JOB_PAYLOADS = {
  /** Hand a message over to the text service. */
  deliver: z.strictObject({ messageId: z.number().int().positive() }),
  /** Send a one-time link to who forgot a password. */
  passwordLink: z.strictObject({ personId: z.number().int().positive(), asking: z.string() }),
  /** Let the text service forget a family that was deleted. */
  forgetPhone: z.strictObject({ to: z.string() }),
  /** Append looks and changes to the trail. */
  audit: z.strictObject({
    entries: z.array(
      z.strictObject({
        at: z.number().transform(instant),
        personId: z.number().int().nullable(),
        linkId: z.number().int().nullable(),
        childIds: z.array(z.number().int()),
        action: z.enum(AUDIT_ACTIONS),
        numbers: z.record(z.string(), z.union([z.string(), z.number()])),
      }),
    ),
  }),
  /** Remind a family of its day, or say a gentle word after silence. */
  remind: z.strictObject({ childId: z.number().int().positive(), why: z.enum(['day', 'silence']), at: z.string() }),
  /** A text of the pretend network, on its way here. */
  incoming: z.strictObject({ serviceKey: z.string(), from: z.string(), text: z.string() }),
  /** Somebody whom no child knows wrote that one is hurt: fixed words back. */
  tellStranger: z.strictObject({ from: z.string(), text: z.string(), day: z.string() }),
  /** An email to the lead of a child that something hurt, without details. */
  injuryEmail: z.strictObject({ childId: z.number().int().positive(), day: z.string() }),
  /** Make the small form of a clip, its poster and its stills. */
  clipForms: z.strictObject({ clipId: z.number().int().positive() }),
  /** Take a file away that no clip has. */
  dropMedia: z.strictObject({ hash: z.string() }),
  /** Once a day, where it is wished: put everything into a file. */
  backup: z.strictObject({ day: z.string() }),
  /** Once a day: take away what is older than it is kept. */
  tidy: z.strictObject({}),
} as const;

export type JobKind = keyof typeof JOB_PAYLOADS;
export type PayloadOf<Kind extends JobKind> = z.output<(typeof JOB_PAYLOADS)[Kind]>;

export function deliverJob(messageId: number, at: Instant, runAfter = at): NewJob {
  return { kind: 'deliver' satisfies JobKind, key: deliverKey(messageId), payload: { messageId }, at, runAfter };
}

export function deliverKey(messageId: number): string {
  return `deliver:${messageId}`;
}

/** @param asking one of a kind for each time that it is asked: with the secret of the data folder the link is made of it */
export function passwordLinkJob(personId: number, asking: string, at: Instant): NewJob {
  return { kind: 'passwordLink' satisfies JobKind, key: passwordLinkKey(asking), payload: { personId, asking }, at, runAfter: at };
}

export function passwordLinkKey(asking: string): string {
  return `passwordLink:${hashOf(asking)}`;
}

export function forgetPhoneJob(to: string, at: Instant): NewJob {
  return { kind: 'forgetPhone' satisfies JobKind, key: `forgetPhone:${to}`, payload: { to }, at, runAfter: at };
}

/** Schedules one reminder per family, reason and moment; scheduling it again changes nothing. @param reminder `at`: the hour it was planned for, since the family may have chosen another by then */
export function remindJob(reminder: { childId: number; why: 'day' | 'silence'; at: string }, at: Instant, runAfter: Instant): NewJob {
  const { childId, why } = reminder;
  return { kind: 'remind' satisfies JobKind, key: `remind:${why}:${childId}:${runAfter}`, payload: reminder, at, runAfter };
}

/** @param copy the network may bring a text more than once */
export function incomingJob(
  text: { serviceKey: string; from: string; text: string },
  copy: number,
  at: Instant,
  runAfter: Instant,
): NewJob {
  return { kind: 'incoming' satisfies JobKind, key: `incoming:${text.serviceKey}:${copy}`, payload: text, at, runAfter };
}

/** At most one a number and day, whatever it writes. */
export function strangerReplyJob(stranger: PayloadOf<'tellStranger'>, at: Instant): NewJob {
  return { kind: 'tellStranger' satisfies JobKind, key: strangerReplyKey(stranger), payload: stranger, at, runAfter: at };
}

export function strangerReplyKey({ from, day }: { readonly from: string; readonly day: string }): string {
  return `tellStranger:${hashOf(from).slice(0, 32)}:${day}`;
}

export function clipFormsJob(clipId: number, at: Instant): NewJob {
  return { kind: 'clipForms' satisfies JobKind, key: `clipForms:${clipId}`, payload: { clipId }, at, runAfter: at };
}

export function deleteMediaJob(hash: string, at: Instant, runAfter = at): NewJob {
  return { kind: 'dropMedia' satisfies JobKind, key: `dropMedia:${hash.slice(0, 40)}:${runAfter}`, payload: { hash }, at, runAfter };
}

export function auditJob(key: string, entries: readonly AuditEntry[], at: Instant): NewJob {
  return { kind: 'audit' satisfies JobKind, key: `audit:${key}`, payload: { entries }, at, runAfter: at };
}

/** Schedules at most one per day: the key is the day. */
export function cleanUpJob(day: string, at: Instant): NewJob {
  return { kind: 'tidy' satisfies JobKind, key: `tidy:${day}`, payload: {}, at, runAfter: at };
}

/** Schedules at most one per day: the key is the day. */
export function backupJob(day: string, at: Instant): NewJob {
  return { kind: 'backup' satisfies JobKind, key: `backup:${day}`, payload: { day }, at, runAfter: at };
}

/** Schedules at most one per child and day, however many reports arrive. @param day the day, and the lead since, where that changed */
export function injuryEmailJob(childId: number, day: string, at: Instant): NewJob {
  return { kind: 'injuryEmail' satisfies JobKind, key: injuryEmailKey({ childId, day }), payload: { childId, day }, at, runAfter: at };
}

export function injuryEmailKey({ childId, day }: PayloadOf<'injuryEmail'>): string {
  return `injuryEmail:${childId}:${day}`;
}
