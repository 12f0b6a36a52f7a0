import type { CalendarDay, Instant } from '@/core/calendar';
import { groupBy } from '@/core/groupBy';
import { momentText, tablesOf, type Work } from '../../work';

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

/** The newest link of a family that is open and can be named again, locked; null where it has none. */
export async function standingLinkOf(
  work: Work,
  childId: number,
  now: Instant,
): Promise<{ readonly id: number; readonly tokenSalt: string } | null> {
  const [row] = await tablesOf(work).select<{ id: number; tokenSalt: string }>(
    `SELECT id, token_salt AS tokenSalt FROM family_links
     WHERE child_id = :childId AND revoked_at IS NULL AND expires_at > :now AND token_salt IS NOT NULL ORDER BY id DESC LIMIT 1 FOR UPDATE`,
    { childId, now: momentText(now) },
  );
  return row ?? null;
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
  /** True where any of its steps asks for minutes. */
  readonly takesHalves: boolean;
  readonly versionNumber: number;
}

/** A link with what taking in a report asks of its child. */
export interface IntakeLink extends FamilyLink {
  readonly tokenHash: string;
  readonly timeZone: string;
  /** The newest version and its start; null where nothing was sent. */
  readonly currentVersion: number | null;
  readonly currentStartsOn: CalendarDay | null;
  /** Those of the tasks asked for that belong to this child's program. */
  readonly asked: readonly AskedTask[];
  /** How many reports came by it since the moment that was asked for. */
  readonly sentLately: number;
}

/**
 * Links by the hash of their token, each with those of the tasks that are its child's: all that an intake asks. The two
 * questions travel together.
 */
export async function intakeLinks(
  work: Work,
  tokenHashes: readonly string[],
  versionTaskIds: readonly number[],
  since: Instant,
): Promise<Map<string, IntakeLink>> {
  const [links, tasks] = await Promise.all([
    tablesOf(work).select<Omit<IntakeLink, 'asked'> & { programId: number | null }>(
      `SELECT ${COLUMNS}, l.token_hash AS tokenHash, c.time_zone AS timeZone, p.id AS programId, p.current_version AS currentVersion, v.starts_on AS currentStartsOn,
         (SELECT COUNT(*) FROM reports r WHERE r.link_id = l.id AND r.said_at >= :since) AS sentLately
       FROM family_links l JOIN children c ON c.id = l.child_id LEFT JOIN programs p ON p.child_id = l.child_id
       LEFT JOIN program_versions v ON v.program_id = p.id AND v.number = p.current_version
       WHERE l.token_hash IN (:tokenHashes)`,
      { tokenHashes, since: momentText(since) },
    ),
    tablesOf(work).select<Omit<AskedTask, 'takesHalves'> & { programId: number; takesHalves: number }>(
      `SELECT t.id AS versionTaskId, t.task_id AS taskId, t.step, t.choose_from AS chooseFrom, t.choose_to AS chooseTo, t.dose LIKE '%"time"%' AS takesHalves, v.number AS versionNumber, v.program_id AS programId
       FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id WHERE t.id IN (:versionTaskIds)`,
      { versionTaskIds },
    ),
  ]);
  const tasksOf = groupBy(
    tasks.map((task) => ({ ...task, takesHalves: Boolean(task.takesHalves) })),
    ({ programId }) => programId,
  );
  return new Map(
    links.map(({ programId, ...link }) => [link.tokenHash, { ...link, asked: programId === null ? [] : (tasksOf.get(programId) ?? []) }]),
  );
}

/** The day on which a link of a child sent more than it may, by child, for those where that was since a day; closed links tell nothing any more. */
export async function floodedLinks(work: Work, childIds: readonly number[], since: CalendarDay): Promise<Map<number, CalendarDay>> {
  if (childIds.length === 0) return new Map();
  const rows = await tablesOf(work).select<{ childId: number; floodedOn: CalendarDay }>(
    `SELECT child_id AS childId, MAX(flooded_on) AS floodedOn FROM family_links
     WHERE child_id IN (:childIds) AND flooded_on >= :since AND revoked_at IS NULL GROUP BY child_id`,
    { childIds, since },
  );
  return new Map(rows.map(({ childId, floodedOn }) => [childId, floodedOn]));
}
