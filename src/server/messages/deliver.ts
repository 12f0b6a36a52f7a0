import type { AuditAction } from '@/core/auditActions';
import { calendarDayInZone, daysBetween, instantAfterDays, type Instant } from '@/core/calendar';
import { reachOf, type Child } from '@/core/students';
import {
  addLink,
  type AuditEntry,
  childById,
  currentVersions,
  inTransaction,
  markGivenUp,
  markHandedOver,
  messageToSend,
  renewLink,
  setLinkOfMessage,
  standingLinkOf,
  stoppedAt,
  withdrawMessage,
  type MessageToSend,
  type Work,
} from '@/db';
import { recordChanges } from '../audit/trail';
import type { Context } from '../context';
import type { JobHandler } from '../jobs/jobHandler';
import { deliverKey, type PayloadOf } from '../jobs/jobs';
import { addressOf, type TextToSend } from '../ports';
import { senderOf } from '../reports/replies/numbers';
import { familyAddress, linkDays, LINK_HOLE, newLinkParts, tokenOf } from './familyAddress';

/**
 * Hands a message over to the text service. Where the words hold a private link it is the family's standing one, which holds on
 * from then; where it has none, or is to have a new one, it is made before the text goes out. It is the same at every try; the service takes a text once by its key.
 */
export const deliverHandler: JobHandler<PayloadOf<'deliver'>, TextToSend> = {
  async prepare(context, { messageId }) {
    return inTransaction(context.db, async (work) => {
      const message = await messageToSend(work, messageId);
      if (!message || message.status !== 'waiting') return null;
      const { childId, words } = message;
      const child = await childById(work, childId);
      const reach = message.reach ?? (child && reachOf(child.contacts));
      // A number that opted out gets answers to its own texts, and nothing else.
      if (message.kind !== 'answer' && (await stoppedAt(work, reach ? senderOf(reach.at) : addressOf(childId))) !== null) {
        await withdrawMessage(work, messageId);
        return null;
      }
      const text = words.includes(LINK_HOLE) ? withLink(context, words, await tokenFor(work, context, message, child)) : words;
      // The link is there all the same: the therapist hands it over.
      if (context.texts.reaches?.(reach?.way ?? null) === false) {
        await markGivenUp(work, messageId);
        return null;
      }
      return { to: addressOf(childId), reach, idempotencyKey: deliverKey(messageId), text };
    });
  },
  async act(context, text) {
    await context.texts.send(text);
  },
  async settle(work, context, { messageId }) {
    const message = await messageToSend(work, messageId);
    await markHandedOver(work, messageId, context.now());
    if (message) await recordChanges(work, context.now(), [ofNobody(context.now(), message.childId, 'message.delivered')]);
  },
  giveUp: (work, _context, { messageId }) => markGivenUp(work, messageId),
};

/** The token of the link that a message carries: its own at another try, else the standing one, which holds on from now, else a new one. */
async function tokenFor(work: Work, context: Context, message: MessageToSend, child: Child | null): Promise<string> {
  const { id: messageId, childId, tokenSalt: own, newLink } = message;
  if (own !== null) return tokenOf(context.linkSecret, own);
  const now = context.now();
  const program = (await currentVersions(work, [childId])).get(childId);
  const today = calendarDayInZone(now, child?.timeZone ?? 'UTC');
  const expiresAt = instantAfterDays(now, linkDays(program ? daysBetween(today, program.endsOn) : null));
  const standing = newLink ? null : await standingLinkOf(work, childId, now);
  if (standing) {
    await renewLink(work, standing.id, expiresAt);
    await setLinkOfMessage(work, messageId, standing.id);
    return tokenOf(context.linkSecret, standing.tokenSalt);
  }
  const { token, tokenHash, tokenSalt } = newLinkParts(context.linkSecret);
  const linkId = await addLink(work, { childId, tokenHash, tokenSalt, createdAt: now, expiresAt });
  await setLinkOfMessage(work, messageId, linkId);
  await recordChanges(work, now, [ofNobody(now, childId, 'link.made')]);
  return token;
}

/** An audit entry of the runner, without person or family. */
function ofNobody(at: Instant, childId: number, action: AuditAction): AuditEntry {
  return { at, personId: null, linkId: null, childIds: [childId], action, numbers: {} };
}

function withLink({ origin }: Context, words: string, token: string): string {
  return words.replace(LINK_HOLE, familyAddress(origin, token));
}
