import type { Instant } from '@/core/calendar';
import type { Work } from '../work';

export interface AuditEntry {
  readonly at: Instant;
  readonly personId: number | null;
  readonly linkId: number | null;
  readonly childIds: readonly number[];
  readonly action: string;
  readonly detail?: string;
}

/** One row for each child that was looked at or changed. */
export async function addAudit(work: Work, entry: AuditEntry): Promise<void> {
  await addAudits(work, [entry]);
}

export async function addAudits(work: Work, entries: readonly AuditEntry[]): Promise<void> {
  await work.insertAll(
    'audit',
    entries.flatMap((entry) =>
      entry.childIds.map((childId) => ({
        at: entry.at,
        person_id: entry.personId,
        link_id: entry.linkId,
        child_id: childId,
        action: entry.action,
        detail: (entry.detail ?? '').slice(0, 200),
      })),
    ),
  );
}

export interface AuditRow {
  readonly id: number;
  readonly at: Instant;
  readonly who: string | null;
  readonly byFamily: number;
  readonly action: string;
  readonly detail: string;
}

export async function auditOf(work: Work, childId: number, most: number): Promise<AuditRow[]> {
  return work.select<AuditRow>(
    `SELECT a.id, a.at, p.name AS who, a.link_id IS NOT NULL AS byFamily, a.action, a.detail FROM audit a LEFT JOIN people p ON p.id = a.person_id
     WHERE a.child_id = :childId ORDER BY a.id DESC LIMIT :most`,
    { childId, most },
  );
}
