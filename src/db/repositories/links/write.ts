import type { CalendarDay, Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

export interface NewLink {
  readonly childId: number;
  readonly tokenHash: string;
  readonly tokenSalt: string;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
}

export async function addLink(work: Work, { childId, tokenHash, tokenSalt, createdAt, expiresAt }: NewLink): Promise<number> {
  return tablesOf(work).insert('family_links', {
    child_id: childId,
    token_hash: tokenHash,
    token_salt: tokenSalt,
    created_at: createdAt,
    expires_at: expiresAt,
  });
}

/** The family's standing link holds on, from a message that names it. */
export async function renewLink(work: Work, linkId: number, expiresAt: Instant): Promise<void> {
  await tablesOf(work).update('family_links', { expires_at: expiresAt }, { id: linkId });
}

/** Closes every open link of a child for good. */
export async function revokeLinksOf(work: Work, childId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('family_links', { revoked_at: at }, { child_id: childId, revoked_at: null });
}

/** Closes an open link of the child for good. False where the child has no such open link. */
export async function revokeLinkOf(work: Work, childId: number, linkId: number, at: Instant): Promise<boolean> {
  return (await tablesOf(work).update('family_links', { revoked_at: at }, { id: linkId, child_id: childId, revoked_at: null })) > 0;
}

/** Notes when a family first opened a link; a later opening changes nothing. */
export async function recordFirstOpening(work: Work, linkId: number, at: Instant): Promise<void> {
  await tablesOf(work).update('family_links', { first_opened_at: at }, { id: linkId, first_opened_at: null });
}

/** Notes that a link sent more than it may. False where that was noted of this day already. */
export async function recordFlood(work: Work, linkId: number, day: CalendarDay): Promise<boolean> {
  const [link] = await tablesOf(work).select<{ floodedOn: CalendarDay | null }>(
    'SELECT flooded_on AS floodedOn FROM family_links WHERE id = :linkId FOR UPDATE',
    { linkId },
  );
  if (!link || link.floodedOn === day) return false;
  await tablesOf(work).update('family_links', { flooded_on: day }, { id: linkId });
  return true;
}
