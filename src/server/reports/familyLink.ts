import { linkByHash, type FamilyLink, type Work } from '@/db';
import type { FamilyActor } from '../actor';
import { AppError } from '../errors';
import { hashOf, TOKEN_FORM } from '../secrets';

/** @throws AppError linkUnknown, linkRevoked, linkExpired */
export function refuseClosedLink<Link extends FamilyLink>(link: Link | null, now: number): asserts link is Link {
  if (!link) throw new AppError('linkUnknown');
  if (link.revokedAt !== null) throw new AppError('linkRevoked');
  if (link.expiresAt <= now) throw new AppError('linkExpired');
}

/** The hash of a link's token, or a refusal without asking the database. */
export function linkHash(token: string): string {
  if (!TOKEN_FORM.test(token)) throw new AppError('linkUnknown');
  return hashOf(token);
}

export async function familyOf(work: Work, token: string, now: number): Promise<{ actor: FamilyActor; link: FamilyLink }> {
  const link = await linkByHash(work, linkHash(token));
  refuseClosedLink<FamilyLink>(link, now);
  return { actor: { kind: 'family', linkId: link.id, childId: link.childId }, link };
}
