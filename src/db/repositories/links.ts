import type { Instant } from '@/core/calendar';
import type { Work } from '../work';

export interface FamilyLink {
  readonly id: number;
  readonly childId: number;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
  readonly revokedAt: Instant | null;
  readonly firstOpenedAt: Instant | null;
}

const COLUMNS = `l.id, l.child_id AS childId, l.created_at AS createdAt, l.expires_at AS expiresAt, l.revoked_at AS revokedAt, l.first_opened_at AS firstOpenedAt`;

export async function linkByHash(work: Work, tokenHash: string): Promise<FamilyLink | null> {
  const [row] = await work.select<FamilyLink>(`SELECT ${COLUMNS} FROM family_links l WHERE l.token_hash = :tokenHash`, { tokenHash });
  return row ?? null;
}

export async function linksOf(work: Work, childId: number): Promise<FamilyLink[]> {
  return work.select<FamilyLink>(`SELECT ${COLUMNS} FROM family_links l WHERE l.child_id = :childId ORDER BY l.id DESC`, { childId });
}

export async function addLink(work: Work, childId: number, tokenHash: string, createdAt: Instant, expiresAt: Instant): Promise<number> {
  return work.insert('family_links', { child_id: childId, token_hash: tokenHash, created_at: createdAt, expires_at: expiresAt });
}

/** The children of whom a link was opened since their program's latest version by hand was sent. */
export async function childrenWithOpenedLink(work: Work, childIds: readonly number[]): Promise<Set<number>> {
  if (childIds.length === 0) return new Set();
  const rows = await work.select<{ childId: number }>(
    'SELECT DISTINCT child_id AS childId FROM family_links WHERE child_id IN (:childIds) AND first_opened_at IS NOT NULL',
    { childIds },
  );
  return new Set(rows.map((row) => row.childId));
}

/** Everything that taking in one report asks of the database, in one question. */
export interface IntakeFacts extends FamilyLink {
  readonly versionTaskId: number | null;
  readonly taskId: number | null;
  readonly step: number | null;
  readonly chooseFrom: number | null;
  readonly chooseTo: number | null;
  readonly versionNumber: number | null;
  readonly currentVersion: number | null;
  readonly timeZone: string;
}

export async function intakeFacts(work: Work, tokenHash: string, versionTaskId: number): Promise<IntakeFacts | null> {
  const [row] = await work.select<IntakeFacts>(
    `SELECT ${COLUMNS}, c.time_zone AS timeZone, p.current_version AS currentVersion, t.versionTaskId, t.taskId, t.step, t.chooseFrom, t.chooseTo, t.versionNumber
     FROM family_links l JOIN children c ON c.id = l.child_id LEFT JOIN programs p ON p.child_id = l.child_id
     LEFT JOIN (SELECT vt.id AS versionTaskId, vt.task_id AS taskId, vt.step, vt.choose_from AS chooseFrom, vt.choose_to AS chooseTo,
       v.number AS versionNumber, v.program_id AS programId FROM version_tasks vt JOIN program_versions v ON v.id = vt.program_version_id
       WHERE vt.id = :versionTaskId) t ON t.programId = p.id
     WHERE l.token_hash = :tokenHash`,
    { tokenHash, versionTaskId },
  );
  return row ?? null;
}
