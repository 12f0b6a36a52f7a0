import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface NewTeacherLink {
  readonly childId: number;
  readonly tokenHash: string;
  readonly tokenSalt: string;
  readonly createdBy: number;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
}

export async function addTeacherLink(work: Work, link: NewTeacherLink): Promise<void> {
  await tablesOf(work).insert('teacher_links', {
    child_id: link.childId,
    token_hash: link.tokenHash,
    token_salt: link.tokenSalt,
    created_by: link.createdBy,
    created_at: link.createdAt,
    expires_at: link.expiresAt,
  });
}

/** Closes every teacher's link of a child. False where none was open. */
export async function revokeTeacherLinksOf(work: Work, childId: number, at: Instant): Promise<boolean> {
  return (await tablesOf(work).update('teacher_links', { revoked_at: at }, { child_id: childId, revoked_at: null })) > 0;
}
