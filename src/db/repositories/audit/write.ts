import { createHash } from 'node:crypto';
import type { AuditAction, AuditDetail } from '@/core/auditActions';
import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

/** One look or change, with all the children that it touched. */
export interface AuditEntry {
  readonly at: Instant;
  readonly personId: number | null;
  readonly linkId: number | null;
  readonly childIds: readonly number[];
  readonly action: AuditAction;
  readonly numbers: AuditDetail;
}

/** The same children in any order are one group. */
function hashOfGroup(childIds: readonly number[]): string {
  return createHash('sha256').update(sortedIds(childIds).join(',')).digest('hex');
}

function sortedIds(childIds: readonly number[]): number[] {
  return [...new Set(childIds)].sort((a, b) => a - b);
}

/** Appends a row an entry. Children that are looked at together are written down once, as a group that rows point at. */
export async function appendAudit(work: Work, entries: readonly AuditEntry[]): Promise<void> {
  const tables = tablesOf(work);
  const told = entries.filter((entry) => entry.childIds.length > 0);
  const groups = new Map(told.map(({ childIds }) => [hashOfGroup(childIds), sortedIds(childIds)]));
  const kept = await tables.insertOrKeep<{ id: number; hash: string }>(
    'audit_groups',
    [...groups.keys()].map((children_hash) => ({ children_hash })),
    ['id', 'children_hash AS hash'],
  );
  const idOf = new Map(kept.map(({ id, hash }) => [hash, id]));
  const members = kept.flatMap(({ id, hash }) => groups.get(hash)!.map((child_id) => ({ group_id: id, child_id })));
  const known = new Set(
    kept.length
      ? (
          await tables.select<{ id: number }>('SELECT DISTINCT group_id AS id FROM audit_group_children WHERE group_id IN (:ids)', {
            ids: [...idOf.values()],
          })
        ).map(({ id }) => id)
      : [],
  );
  await tables.insertAll(
    'audit_group_children',
    members.filter(({ group_id }) => !known.has(group_id)),
  );
  await tables.insertAll(
    'audit',
    told.map(({ at, personId, linkId, childIds, action, numbers }) => ({
      at,
      person_id: personId,
      link_id: linkId,
      group_id: idOf.get(hashOfGroup(childIds)),
      action,
      numbers,
    })),
  );
}

/** Takes away what is older than the trail is kept. Gives back how many rows went. */
export async function dropAuditBefore(work: Work, moment: Instant, most: number): Promise<number> {
  const tables = tablesOf(work);
  const old = await tables.select<{ id: number }>('SELECT id FROM audit WHERE at < :moment ORDER BY id LIMIT :most', {
    moment: momentText(moment),
    most,
  });
  if (old.length === 0) return 0;
  return tables.remove('audit', { id: old.map(({ id }) => id) });
}
