import { nameOf, type Access, type Child } from '@/core/child';
import { plain } from '@/core/text';
import { childrenOf, inTransaction, messagesOf, workplaceOf, type PostMessage } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { addressOf, type PhoneText } from '../ports';

export interface PostLine extends PostMessage {
  readonly childName: string;
  readonly mayTryAgain: boolean;
}

export interface PostView {
  readonly timeZone: string;
  readonly messages: readonly PostLine[];
  readonly phone: { readonly child: Child; readonly texts: readonly PhoneText[] } | null;
}

const MESSAGES_SHOWN = 120;

/** What went out over the caseload, and one family's pretend phone. */
export async function viewPost(context: Context, actor: PersonActor, wish: { phoneOf: number | null; search: string }): Promise<PostView> {
  const { child, ...view } = await inTransaction(context.db, async (work) => {
    const own = await childrenOf(work, actor.personId);
    const messages = await messagesOf(
      work,
      own.map((each) => each.child.id),
      MESSAGES_SHOWN,
    );
    const holder = wish.phoneOf ?? messages[0]?.childId ?? null;
    const names = new Map(own.map((each) => [each.child.id, nameOf(each.child)]));
    const accesses = new Map<number, Access>(own.map((each) => [each.child.id, each.access]));
    const wanted = plain(wish.search);
    return {
      timeZone: (await workplaceOf(work)).timeZone,
      messages: messages
        .map((message) => ({
          ...message,
          childName: names.get(message.childId) ?? '',
          mayTryAgain: may(actor, accesses.get(message.childId) ?? 'assist', 'changeProgram'),
        }))
        .filter((message) => plain(`${message.childName} ${message.words}`).includes(wanted)),
      child: holder === null ? null : (await requireChild(work, actor, holder, 'readChild')).child,
    };
  });
  const looked = [...view.messages.map((message) => message.childId), ...(child ? [child.id] : [])];
  await context.looks.note(entryOf(actor, context.now(), looked, 'post.viewed'));
  const texts = child && context.phone ? await context.phone.read(addressOf(child.id)) : [];
  return { ...view, phone: child && { child, texts: texts.reverse() } };
}
