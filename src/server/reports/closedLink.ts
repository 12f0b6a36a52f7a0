import { childById, inTransaction, linkByHash, sharingOf } from '@/db';
import type { Context } from '../context';
import { hashOf, TOKEN_FORM } from '../secrets';

/** The owner of a link that no longer opens: the language of the page, and whom to ask for another link. */
export interface ClosedLink {
  readonly language: string;
  readonly lead: string | null;
}

/** Tells of a link that was closed or has run out, and nothing of the child; null for one that never was. */
export async function closedLink(context: Context, token: string): Promise<ClosedLink | null> {
  if (!TOKEN_FORM.test(token)) return null;
  return inTransaction(context.db, async (work) => {
    const link = await linkByHash(work, hashOf(token));
    const child = link && (await childById(work, link.childId));
    if (!child) return null;
    const lead = (await sharingOf(work, child.id)).find(({ access }) => access === 'lead');
    return { language: child.familyLanguage, lead: lead?.name ?? null };
  });
}
