import type { Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';

export interface TeacherLink {
  readonly id: number;
  readonly childId: number;
  readonly tokenSalt: string;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
  readonly revokedAt: Instant | null;
}

const COLUMNS =
  'id, child_id AS childId, token_salt AS tokenSalt, created_at AS createdAt, expires_at AS expiresAt, revoked_at AS revokedAt';

export async function teacherLinkByHash(work: Work, tokenHash: string): Promise<TeacherLink | null> {
  const [row] = await tablesOf(work).select<TeacherLink>(`SELECT ${COLUMNS} FROM teacher_links WHERE token_hash = :tokenHash`, {
    tokenHash,
  });
  return row ?? null;
}

/** Those of a child that open, latest first. */
export async function teacherLinksOf(work: Work, childId: number, now: Instant): Promise<TeacherLink[]> {
  return tablesOf(work).select<TeacherLink>(
    `SELECT ${COLUMNS} FROM teacher_links WHERE child_id = :childId AND revoked_at IS NULL AND expires_at > :now ORDER BY id DESC`,
    { childId, now: momentText(now) },
  );
}
