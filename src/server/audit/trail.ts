import { randomUUID } from 'node:crypto';
import type { AuditAction, AuditDetail } from '@/core/auditActions';
import type { Instant } from '@/core/calendar';
import { addJobs, inOneWrite, type AuditEntry, type Database, type UntoldReport, type Work } from '@/db';
import type { FamilyActor, PersonActor } from '../actor';
import { auditJob } from '../jobs/jobs';

/** An entry of the trail: by whom, about which children, what. */
export function entryOf(
  actor: PersonActor | FamilyActor,
  at: Instant,
  childIds: readonly number[],
  action: AuditAction,
  numbers: AuditDetail = {},
): AuditEntry {
  const who = actor.kind === 'person' ? { personId: actor.personId, linkId: null } : { personId: null, linkId: actor.linkId };
  return { at, ...who, childIds: [...new Set(childIds)], action, numbers };
}

/** A report that came by a link is its own note. */
export function takenEntry({ linkId, childId, saidAt }: UntoldReport): AuditEntry {
  return entryOf({ kind: 'family', linkId, childId }, saidAt, [childId], 'report.taken');
}

/** Notes changes in the transaction that makes them; the runner appends them to the trail. */
export async function recordChanges(work: Work, at: Instant, entries: readonly AuditEntry[]): Promise<void> {
  if (entries.length) await addJobs(work, [auditJob(randomUUID(), entries, at)]);
}

/** Notes what happened to an account, or to none that is known: nobody is named who did it. */
export async function recordAboutPerson(
  work: Work,
  at: Instant,
  personId: number | null,
  action: AuditAction,
  numbers: AuditDetail = {},
): Promise<void> {
  await recordChanges(work, at, [{ at, personId, linkId: null, childIds: [], action, numbers }]);
}

interface WaitingLook {
  readonly entry: AuditEntry;
  readonly resolve: () => void;
  readonly reject: (error: unknown) => void;
}

/** Within so long a family's next look at its page is the same look. */
const OFTEN_MILLISECONDS = 10 * 60_000;
const MOST_NOTED = 20_000;

/**
 * Notes looks, each before its answer is given and outside of the transaction that read it. Looks that come while others are
 * being noted are noted together.
 */
export class AccessLog {
  private waiting: WaitingLook[] = [];
  private isWriting = false;
  private readonly notedAt = new Map<string, number>();

  constructor(
    private readonly db: Database,
    private readonly now: () => Instant,
  ) {}

  /** A look of a kind that a page repeats by itself: noted once in a while. */
  async noteSometimes(key: string, entry: AuditEntry): Promise<void> {
    const last = this.notedAt.get(key);
    if (last !== undefined && entry.at - last < OFTEN_MILLISECONDS) return;
    if (this.notedAt.size >= MOST_NOTED) this.notedAt.clear();
    this.notedAt.set(key, entry.at);
    await this.note(entry);
  }

  note(entry: AuditEntry): Promise<void> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ entry, resolve, reject });
      if (!this.isWriting) void this.write();
    });
  }

  private async write(): Promise<void> {
    this.isWriting = true;
    while (this.waiting.length > 0) {
      const together = this.waiting.splice(0);
      try {
        await inOneWrite(this.db, (work) =>
          recordChanges(
            work,
            this.now(),
            together.map(({ entry }) => entry),
          ),
        );
        for (const { resolve } of together) resolve();
      } catch (error) {
        for (const { reject } of together) reject(error);
      }
    }
    this.isWriting = false;
  }
}
