import { instantAfterDays } from '@/core/calendar';
import { addLink, inTransaction, markGivenUp, markHandedOver, messageToSend, setLinkOfMessage } from '@/db';
import type { Context } from '../context';
import type { JobHandler } from '../jobs/handlers';
import { deliverKey, type PayloadOf } from '../jobs/jobs';
import { addressOf, type TextToSend } from '../ports';
import { familyAddress, LINK_DAYS, LINK_HOLE, newLinkParts, tokenOf } from './familyAddress';

/**
 * Hands a message over to the text service. A private link is made where the words hold one, before the text goes out, and
 * is the same at every try; the service takes a text once by its key.
 */
export const deliverHandler: JobHandler<PayloadOf<'deliver'>, TextToSend> = {
  async prepare(context, { messageId }) {
    return inTransaction(context.db, async (work) => {
      const message = await messageToSend(work, messageId);
      if (!message || message.status !== 'waiting') return null;
      const { childId, words } = message;
      const text = { to: addressOf(childId), idempotencyKey: deliverKey(messageId) };
      if (!words.includes(LINK_HOLE)) return { ...text, text: words };
      if (message.tokenSalt !== null) return { ...text, text: withLink(context, words, tokenOf(context.linkSecret, message.tokenSalt)) };
      const { token, tokenHash, tokenSalt } = newLinkParts(context.linkSecret);
      const createdAt = context.now();
      const linkId = await addLink(work, { childId, tokenHash, tokenSalt, createdAt, expiresAt: instantAfterDays(createdAt, LINK_DAYS) });
      await setLinkOfMessage(work, messageId, linkId);
      return { ...text, text: withLink(context, words, token) };
    });
  },
  async act(context, text) {
    await context.texts.send(text);
  },
  settle: (work, context, { messageId }) => markHandedOver(work, messageId, context.now()),
  giveUp: (work, _context, { messageId }) => markGivenUp(work, messageId),
};

function withLink({ origin }: Context, words: string, token: string): string {
  return words.replace(LINK_HOLE, familyAddress(origin, token));
}
