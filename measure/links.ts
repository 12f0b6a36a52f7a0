import { instantAfterDays } from '@/core/calendar';
import { addLink, inTransaction } from '@/db';
import type { Context } from '@/server/context';
import { familyAddress, newLinkParts } from '@/server/messages/familyAddress';

/** So many further links of a child: one alone takes in no more in a day than a family sends. */
export async function manyLinks(context: Context, childId: number, count: number): Promise<string[]> {
  const createdAt = context.now();
  const made = Array.from({ length: count }, () => newLinkParts(context.linkSecret));
  await inTransaction(context.db, async (work) => {
    for (const { tokenHash, tokenSalt } of made)
      await addLink(work, { childId, tokenHash, tokenSalt, createdAt, expiresAt: instantAfterDays(createdAt, 1) });
  });
  return made.map(({ token }) => familyAddress(context.origin, token));
}
