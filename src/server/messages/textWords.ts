import { createTranslator } from 'use-intl/core';
import { languageOf } from '@/core/text';

type Messages = typeof import('../../../messages/texts/en.json');

export type TextKind = keyof Messages;

/** The words of a text message, in the family's language. Nothing about the child is in them; `{link}` stays until it is handed over. */
export async function textWords(wished: string, kind: TextKind): Promise<string> {
  const locale = languageOf(wished);
  const { default: messages } = (await import(`../../../messages/texts/${locale}.json`)) as unknown as { default: Messages };
  const t = createTranslator({ locale, messages });
  return t(kind, { link: '{link}' });
}
