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

/** A link with what taking in a report asks of its child. */
export interface IntakeLink extends FamilyLink {
  readonly tokenHash: string;
  readonly timeZone: string;
  readonly currentVersion: number | null;
}

export async function intakeLinks(work: Work, tokenHashes: readonly string[]): Promise<Map<string, IntakeLink>> {
  const rows = await work.select<IntakeLink>(
    `SELECT ${COLUMNS}, l.token_hash AS tokenHash, c.time_zone AS timeZone, p.current_version AS currentVersion
     FROM family_links l JOIN children c ON c.id = l.child_id LEFT JOIN programs p ON p.child_id = l.child_id WHERE l.token_hash IN (:tokenHashes)`,
    { tokenHashes },
  );
  return new Map(rows.map((row) => [row.tokenHash, row]));
}

/** A task of some version of some child's program, as a report points at it. */
export interface AskedTask {
  readonly versionTaskId: number;
  readonly childId: number;
  readonly taskId: number;
  readonly step: number;
  readonly chooseFrom: number;
  readonly chooseTo: number;
  readonly versionNumber: number;
}

export async function askedTasks(work: Work, versionTaskIds: readonly number[]): Promise<Map<number, AskedTask>> {
  const rows = await work.select<AskedTask>(
    `SELECT t.id AS versionTaskId, p.child_id AS childId, t.task_id AS taskId, t.step, t.choose_from AS chooseFrom, t.choose_to AS chooseTo, v.number AS versionNumber
     FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id WHERE t.id IN (:versionTaskIds)`,
    { versionTaskIds },
  );
  return new Map(rows.map((row) => [row.versionTaskId, row]));
}
