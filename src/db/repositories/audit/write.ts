import { chainHash } from './chain';
import { hashOfGroup, sortedIds } from './group';
import type { AuditAction, AuditDetail } from '@/core/auditActions';
import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

/** An access or change, with all the students that it touched. */
export interface AuditEntry {
  readonly at: Instant;
  readonly personId: number | null;
  readonly linkId: number | null;
  readonly childIds: readonly number[];
  readonly action: AuditAction;
  readonly numbers: AuditDetail;
}

/**
 * Appends a row an entry. Children that are looked at together are written down once, as a group that rows point at. Each row carries the
 * hash of itself and of all before it: what is changed or taken out later is found by `auditChainFrom`.
 */
export async function appendAudit(work: Work, entries: readonly AuditEntry[]): Promise<void> {
  if (entries.length === 0) return;
  const tables = tablesOf(work);
  const groupOf = await keepGroups(work, entries);
  // Held until the rows are there: two runners append one after the other.
  const [head] = await tables.select<{ hash: string; count: unknown }>(
    'SELECT chain_hash AS hash, row_count AS count FROM audit_head WHERE id = 1 FOR UPDATE',
  );
  let hash = head!.hash;
  const rows = entries.map(({ at, personId, linkId, childIds, action, numbers }) => {
    const children = childIds.length === 0 ? null : hashOfGroup(childIds);
    hash = chainHash(hash, { at, personId, linkId, children, action, numbers: JSON.stringify(numbers) });
    return { at, person_id: personId, link_id: linkId, group_id: children && groupOf.get(children), action, numbers, chain_hash: hash };
  });
  await tables.insertAll('audit', rows);
  await tables.update('audit_head', { chain_hash: hash, row_count: Number(head!.count) + rows.length }, { id: 1 });
}

/** The ids of the groups of children by their hash, written down where they are new. */
async function keepGroups(work: Work, entries: readonly AuditEntry[]): Promise<ReadonlyMap<string, number>> {
  const tables = tablesOf(work);
  const told = entries.filter((entry) => entry.childIds.length > 0);
  const groups = new Map(told.map(({ childIds }) => [hashOfGroup(childIds), sortedIds(childIds)]));
  const kept = await tables.insertOrKeep<{ id: number; hash: string }>(
    'audit_groups',
    [...groups.keys()].map((children_hash) => ({ children_hash })),
    ['id', 'children_hash AS hash'],
  );
  const idOf = new Map(kept.map(({ id, hash }) => [hash, id]));
  const known = kept.length
    ? await tables.select<{ id: number }>('SELECT DISTINCT group_id AS id FROM audit_group_children WHERE group_id IN (:ids)', {
        ids: [...idOf.values()],
      })
    : [];
  const knownIds = new Set(known.map(({ id }) => id));
  const members = kept.flatMap(({ id, hash }) => groups.get(hash)!.map((child_id) => ({ group_id: id, child_id })));
  await tables.insertAll(
    'audit_group_children',
    members.filter(({ group_id }) => !knownIds.has(group_id)),
  );
  return idOf;
}

/**
 * Takes away the oldest rows that are older than the trail is kept, and writes down where the chain goes on from; the month before the
 * newest row stays whatever is asked. Gives back how many rows went.
 * @param work of the account that owns the schema: the one that serves may not delete from the trail
 */
export async function deleteAuditBefore(work: Work, moment: Instant, most: number, now: Instant): Promise<number> {
  const tables = tablesOf(work);
  const [kept] = await tables.select<{ id: number }>(
    'SELECT MIN(id) AS id FROM audit WHERE at >= LEAST(:moment, (SELECT MAX(at) FROM audit) - INTERVAL 29 DAY)',
    { moment: momentText(moment) },
  );
  const old = await tables.select<{ id: number; hash: string | null }>(
    'SELECT id, chain_hash AS hash FROM audit WHERE id < :first ORDER BY id LIMIT :most',
    { first: kept?.id ?? 0, most },
  );
  if (old.length === 0) return 0;
  await tables.insert('audit_drops', {
    dropped_at: now,
    before_at: moment,
    row_count: old.filter(({ hash }) => hash !== null).length,
    chain_hash: old.at(-1)!.hash,
  });
  return tables.remove('audit', { id: old.map(({ id }) => id) });
}
