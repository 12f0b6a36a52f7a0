import { nameOf, type Child } from '@/core/child';
import { childrenOf, inTransaction, messagesOf, workplaceOf, type PostMessage } from '@/db';
import { auditPerson, requireChild } from '../access';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import type { PhoneText } from '../../outside/pretendPhone';

export interface PostView {
  readonly timeZone: string;
  readonly messages: readonly (PostMessage & { readonly childName: string })[];
  readonly children: readonly { readonly id: number; readonly name: string }[];
  readonly phone: { readonly child: Child; readonly texts: readonly PhoneText[] } | null;
}

const MESSAGES_SHOWN = 120;

/** What went out over the caseload, and one family's pretend phone. */
export async function viewPost(context: Context, actor: PersonActor, wish: { phoneOf: number | null; search: string }): Promise<PostView> {
  const view = await inTransaction(context.db, async (work) => {
    const children = await childrenOf(work, actor.personId);
    const childIds = children.map((child) => child.id);
    const messages = await messagesOf(work, childIds, MESSAGES_SHOWN);
    const holder = wish.phoneOf ?? messages[0]?.childId ?? null;
    const child = holder === null ? null : (await requireChild(work, actor, holder, 'read')).child;
    await auditPerson(
      work,
      actor,
      context.now(),
      [...new Set([...messages.map((message) => message.childId), ...(child ? [child.id] : [])])],
      'post.viewed',
    );
    const names = new Map(children.map((each) => [each.id, nameOf(each)]));
    return {
      timeZone: (await workplaceOf(work)).timeZone,
      messages: messages
        .map((message) => ({ ...message, childName: names.get(message.childId) ?? '' }))
        .filter((message) => `${message.childName} ${message.words}`.toLowerCase().includes(wish.search.trim().toLowerCase())),
      children: children.map((each) => ({ id: each.id, name: nameOf(each) })),
      child,
    };
  });
  const { child, ...rest } = view;
  return { ...rest, phone: child ? { child, texts: (await context.phone.read(child.id)).reverse() } : null };
}
