import { createTranslator } from 'use-intl/core';
import { languageOf } from '@/core/text';

type Messages = typeof import('../../../messages/texts/en.json');

/** What the program answers to a text, or reminds of. */
export type ReplyKind = keyof Messages['replies'];
export type TextKind = Exclude<keyof Messages, 'replies'>;

/** The words of a text message, in the family's language. Nothing about the child is in them; `{link}` stays until it is handed over. */
export async function textWords(requested: string, kind: TextKind): Promise<string> {
  const t = await translatorOf(requested);
  return t(kind, { link: '{link}' });
}

/** What is answered to a text, in a language: `say('howMany', { task: 'Crane lift' })`. Task names are no secret; of the child nothing is said. */
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
