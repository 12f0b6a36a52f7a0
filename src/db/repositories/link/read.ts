import type { CalendarDay, Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface FamilyLink {
  readonly id: number;
  readonly childId: number;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
  readonly revokedAt: Instant | null;
  readonly firstOpenedAt: Instant | null;
}

const COLUMNS =
  'l.id, l.child_id AS childId, l.created_at AS createdAt, l.expires_at AS expiresAt, l.revoked_at AS revokedAt, l.first_opened_at AS firstOpenedAt';

export async function linkByHash(work: Work, tokenHash: string): Promise<FamilyLink | null> {
  const [row] = await tablesOf(work).select<FamilyLink>(`SELECT ${COLUMNS} FROM family_links l WHERE l.token_hash = :tokenHash`, {
    tokenHash,
  });
  return row ?? null;
}

export async function linksOf(work: Work, childId: number): Promise<FamilyLink[]> {
  return tablesOf(work).select<FamilyLink>(`SELECT ${COLUMNS} FROM family_links l WHERE l.child_id = :childId ORDER BY l.id DESC`, {
    childId,
  });
}

/** The children of whom a link was ever opened. */
export async function childrenWithOpenedLink(work: Work, childIds: readonly number[]): Promise<Set<number>> {
  if (childIds.length === 0) return new Set();
  const rows = await tablesOf(work).select<{ childId: number }>(
    'SELECT DISTINCT child_id AS childId FROM family_links WHERE child_id IN (:childIds) AND first_opened_at IS NOT NULL',
    { childIds },
  );
  return new Set(rows.map((row) => row.childId));
}

/** A task of some version of some child's program, as a report points at it. */
export interface AskedTask {
  readonly versionTaskId: number;
  readonly taskId: number;
  readonly step: number;
  readonly chooseFrom: number;
  readonly chooseTo: number;
  readonly versionNumber: number;
}

/** A link with what taking in a report asks of its child. */
export interface IntakeLink extends FamilyLink {
  readonly timeZone: string;
  /** The newest version and its start; null where nothing was sent. */
  readonly currentVersion: number | null;
  readonly currentStartsOn: CalendarDay | null;
  /** Those of the tasks asked for that belong to this child's program. */
  readonly asked: readonly AskedTask[];
}

interface IntakeRow extends FamilyLink {
  readonly tokenHash: string;
  readonly timeZone: string;
  readonly currentVersion: number | null;
  readonly currentStartsOn: CalendarDay | null;
  readonly versionTaskId: number | null;
  readonly taskId: number;
  readonly step: number;
  readonly chooseFrom: number;
  readonly chooseTo: number;
  readonly versionNumber: number;
}

/** Links by the hash of their token, each with those of the tasks that are its child's: all that an intake asks, in one statement. */
export async function intakeLinks(
  work: Work,
  tokenHashes: readonly string[],
  versionTaskIds: readonly number[],
): Promise<Map<string, IntakeLink>> {
  const rows = await tablesOf(work).select<IntakeRow>(
    `SELECT ${COLUMNS}, l.token_hash AS tokenHash, c.time_zone AS timeZone, p.current_version AS currentVersion, cv.starts_on AS currentStartsOn,
       t.id AS versionTaskId, t.task_id AS taskId, t.step, t.choose_from AS chooseFrom, t.choose_to AS chooseTo, t.number AS versionNumber
     FROM family_links l JOIN children c ON c.id = l.child_id LEFT JOIN programs p ON p.child_id = l.child_id
     LEFT JOIN program_versions cv ON cv.program_id = p.id AND cv.number = p.current_version
     LEFT JOIN (
       SELECT vt.id, vt.task_id, vt.step, vt.choose_from, vt.choose_to, v.number, v.program_id
       FROM version_tasks vt JOIN program_versions v ON v.id = vt.program_version_id WHERE vt.id IN (:versionTaskIds)
     ) t ON t.program_id = p.id
     WHERE l.token_hash IN (:tokenHashes)`,
    { tokenHashes, versionTaskIds },
  );
  const links = new Map<string, IntakeLink & { asked: AskedTask[] }>();
  for (const row of rows) {
    const { tokenHash, versionTaskId, taskId, step, chooseFrom, chooseTo, versionNumber, ...link } = row;
    const known = links.get(tokenHash) ?? { ...link, asked: [] };
    if (versionTaskId !== null) known.asked.push({ versionTaskId, taskId, step, chooseFrom, chooseTo, versionNumber });
    links.set(tokenHash, known);
  }
  return links;
}
