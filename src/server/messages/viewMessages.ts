import { nameOf, type Access, type Child, type Reach } from '@/core/students';
import { plain } from '@/core/text';
import { childrenOf, incomingTexts, inReading, messagesOf, textsOfNobody, workplaceOf, type IncomingRow, type MessageRow } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { addressOf, type Network, type PhoneText } from '../ports';

export interface MessageLine extends MessageRow {
  readonly childName: string;
  readonly mayTryAgain: boolean;
}

export interface MessagesView {
  readonly timeZone: string;
  readonly messages: readonly MessageLine[];
  readonly phone: { readonly child: Child; readonly texts: readonly PhoneText[]; readonly mayWrite: boolean } | null;
  /** Incoming texts, latest first. */
  readonly incoming: readonly IncomingLine[];
  /** Texts of numbers that belong to no child: for who supervise. */
  readonly ofNobody: readonly IncomingRow[];
  /** True where families are reached in this way: a service is set up, or the demo's simulated phone stands in. */
  readonly reaches: Readonly<Record<Reach['way'], boolean>>;
  /** How bad the pretend network is; null where real phones are reached. */
  readonly network: Network | null;
}

export interface IncomingLine extends IncomingRow {
  readonly childName: string;
}

const MESSAGES_SHOWN = 120;
const TEXTS_SHOWN = 60;

/** Messages of the caseload, and the pretend phone of one family. */
export async function viewMessages(
  context: Context,
  actor: PersonActor,
  options: { phoneOf: number | null; search: string },
): Promise<MessagesView> {
  const { child, mayWrite, ...view } = await inReading(context.db, async (work) => {
    const own = await childrenOf(work, actor.personId);
    const messages = await messagesOf(
      work,
      own.map((each) => each.child.id),
      MESSAGES_SHOWN,
    );
    const holder = options.phoneOf ?? messages[0]?.childId ?? null;
    const names = new Map(own.map((each) => [each.child.id, nameOf(each.child)]));
    const accesses = new Map<number, Access>(own.map((each) => [each.child.id, each.access]));
    const wanted = plain(options.search);
    const incoming = await incomingTexts(
      work,
      own.map((each) => each.child.id),
      TEXTS_SHOWN,
    );
    return {
      timeZone: (await workplaceOf(work)).timeZone,
      messages: messages
        .map((message) => ({
          ...message,
          childName: names.get(message.childId) ?? '',
          mayTryAgain: may(actor, accesses.get(message.childId) ?? 'assist', 'changeProgram'),
        }))
        .filter((message) => plain(`${message.childName} ${message.words}`).includes(wanted)),
      incoming: incoming
        .map((text) => ({ ...text, childName: names.get(text.childId!) ?? '' }))
        .filter((text) => plain(`${text.childName} ${text.text}`).includes(wanted)),
      ofNobody: may(actor, null, 'seeAllCaseloads') ? await textsOfNobody(work, TEXTS_SHOWN) : [],
      mayWrite: holder !== null && may(actor, accesses.get(holder) ?? 'assist', 'changeProgram'),
      child: holder === null ? null : (await requireChild(work, actor, holder, 'readChild')).child,
    };
  });
  const looked = [...view.messages.map((message) => message.childId), ...(child ? [child.id] : [])];
  await context.looks.note(entryOf(actor, context.now(), looked, 'post.viewed'));
  const texts = child && context.phone ? await context.phone.read(addressOf(child.id)) : [];
  const network = context.phone ? await context.phone.network() : null;
  const reachedBy = (way: Reach['way']) => context.texts.reaches?.(way) ?? true;
  const reaches = { text: reachedBy('text'), email: reachedBy('email') };
  return { ...view, reaches, network, phone: child && { child, texts: texts.reverse(), mayWrite } };
}
