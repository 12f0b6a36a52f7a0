import { addLink, claimWaiting, inTransaction } from '@/db';
import type { Context } from '../context';
import { hashOf, newToken } from '../secrets';

export const LINK_DAYS = 60;
const MILLISECONDS_PER_DAY = 86_400_000;
const MOST_AT_ONCE = 200;

/**
 * Hands every waiting message to the post. The private link is made here, at the last moment: its hash is committed first,
 * then the text goes out, then the message is marked. A crash in between sends the text once more with a link of its own;
 * it never loses one and never sends a link that does not open.
 */
export async function deliverWaiting(context: Context): Promise<number> {
  let delivered = 0;
  while (delivered < MOST_AT_ONCE && (await deliverNext(context))) delivered += 1;
  return delivered;
}

async function deliverNext(context: Context): Promise<boolean> {
  return inTransaction(context.db, async (work) => {
    const message = await claimWaiting(work);
    if (!message) return false;
    const now = context.now();
    const token = newToken();
    const linkId = await inTransaction(context.db, (own) =>
      addLink(own, message.childId, hashOf(token), now, (now + LINK_DAYS * MILLISECONDS_PER_DAY) as typeof now),
    );
    const text = message.words.replace('{link}', familyAddress(context.origin, token));
    await context.phone.deliver(message.childId, { messageId: message.id, at: now, text });
    await work.update('messages', { status: 'handedOver', handed_over_at: now, link_id: linkId }, { id: message.id });
    return true;
  });
}

export function familyAddress(origin: string, token: string): string {
  return `${origin}/f/${token}`;
}
