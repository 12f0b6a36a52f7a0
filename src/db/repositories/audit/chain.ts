import { createHash } from 'node:crypto';
import { groupBy } from '@/core/groupBy';
import { momentText, tablesOf, type Work } from '../../work';
import { hashOfGroup } from './group';

/** Content of an audit row, as its hash is made of it. */
interface Told {
  readonly at: number;
  readonly personId: number | null;
  readonly linkId: number | null;
  /** The hash of the children that it touched; null for none. */
  readonly children: string | null;
  readonly action: string;
  /** As the column holds it. */
  readonly numbers: string;
}

/** The hash of a row and of all before it (SHA-256 over the hash before and the row as JSON). */
export function chainHash(before: string, { at, personId, linkId, children, action, numbers }: Told): string {
  const told = JSON.stringify([before, momentText(at), personId, linkId, children, action, numbers]);
  return createHash('sha256').update(told).digest('hex');
}

/** Break of the chain, by the first row where it was noticed. */
export type ChainFault =
  | { readonly kind: 'changed'; readonly id: number }
  | { readonly kind: 'children'; readonly id: number }
  | { readonly kind: 'end'; readonly expected: number; readonly found: number };

export interface ChainState {
  /** Rows whose hash fits. */
  readonly rows: number;
  /** Rows from before there was a chain: of them nothing is known. */
  readonly unchained: number;
  /** Rows that were taken away because they were old. */
  readonly dropped: number;
  readonly fault: ChainFault | null;
}

const AT_ONCE = 5_000;

interface ChainRow {
  readonly id: number;
  readonly at: number;
  readonly personId: number | null;
  readonly linkId: number | null;
  readonly groupId: number | null;
  readonly children: string | null;
  readonly action: string;
  readonly numbers: string;
  readonly hash: string | null;
}

/** Reads the whole trail in its order and reckons every hash anew: the first that does not fit is told. */
export async function auditChain(work: Work): Promise<ChainState> {
  const tables = tablesOf(work);
  const [start] = await tables.select<{ dropped: unknown; hash: string | null }>(
    `SELECT COALESCE(SUM(row_count), 0) AS dropped, (SELECT chain_hash FROM audit_drops WHERE chain_hash IS NOT NULL ORDER BY id DESC LIMIT 1) AS hash
     FROM audit_drops`,
  );
  const [head] = await tables.select<{ hash: string; count: unknown }>(
    'SELECT chain_hash AS hash, row_count AS count FROM audit_head WHERE id = 1',
  );
  const dropped = Number(start!.dropped);
  let hash = start!.hash ?? createHash('sha256').update('').digest('hex');
  let [rows, unchained, last] = [0, 0, 0];
  const state = (fault: ChainFault | null): ChainState => ({ rows, unchained, dropped, fault });
  for (;;) {
    const some = await tables.select<ChainRow>(
      `SELECT a.id, a.at, a.person_id AS personId, a.link_id AS linkId, a.group_id AS groupId, g.children_hash AS children, a.action,
         CONCAT(a.numbers, '') AS numbers, a.chain_hash AS hash
       FROM audit a LEFT JOIN audit_groups g ON g.id = a.group_id WHERE a.id > :last ORDER BY a.id LIMIT ${AT_ONCE}`,
      { last },
    );
    for (const row of some) {
      last = row.id;
      // Rows without a hash can only stand before the chain begins.
      if (row.hash === null && rows === 0 && dropped === 0) {
        unchained += 1;
        continue;
      }
      hash = chainHash(hash, row);
      if (hash !== row.hash) return state({ kind: 'changed', id: row.id });
      rows += 1;
    }
    const wrongGroup = await changedGroup(work, some);
    if (wrongGroup !== null) return state({ kind: 'children', id: wrongGroup });
    if (some.length < AT_ONCE) break;
  }
  const expected = Number(head?.count ?? 0);
  return state(rows + dropped === expected && hash === head?.hash ? null : { kind: 'end', expected, found: rows + dropped });
}

/** The first row whose children are others than its hash says; null where there is none. */
async function changedGroup(work: Work, rows: readonly ChainRow[]): Promise<number | null> {
  const ids = [...new Set(rows.flatMap(({ groupId }) => (groupId === null ? [] : [groupId])))];
  if (ids.length === 0) return null;
  const members = await tablesOf(work).select<{ groupId: number; childId: number }>(
    'SELECT group_id AS groupId, child_id AS childId FROM audit_group_children WHERE group_id IN (:ids)',
    { ids },
  );
  const childrenOf = groupBy(members, ({ groupId }) => groupId);
  const isWhole = (row: ChainRow) =>
    row.groupId === null || hashOfGroup((childrenOf.get(row.groupId) ?? []).map(({ childId }) => childId)) === row.children;
  return rows.find((row) => !isWhole(row))?.id ?? null;
}
