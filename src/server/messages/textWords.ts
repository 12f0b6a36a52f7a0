import { createTranslator } from 'use-intl/core';
import { languageOf } from '@/core/text';

type Messages = typeof import('../../../messages/texts/en.json');

/** Texts that the program writes by itself: answers and reminders. */
export type ReplyKind = keyof Messages['replies'];
export type TextKind = Exclude<keyof Messages, 'replies'>;

/** The words of a text message, in the family's language. Nothing about the child is in them; `{link}` stays until it is handed over. */
export async function textWords(requested: string, kind: TextKind): Promise<string> {
  const t = await translatorOf(requested);
  return t(kind, { link: '{link}' });
}

/** Returns an answer in a language: `say('howMany', { task: 'Crane lift' })`. It may name tasks, never the child. */
export async function replyWords(
  requested: string,
): Promise<(kind: ReplyKind, values?: Readonly<Record<string, string | number>>) => string> {
  const t = await translatorOf(requested);
  return (kind, values = {}) => t(`replies.${kind}`, values as never);
}

async function translatorOf(requested: string) {
  const locale = languageOf(requested);
  const { default: messages } = (await import(`../../../messages/texts/${locale}.json`)) as unknown as { default: Messages };
  return createTranslator({ locale, messages });
}
