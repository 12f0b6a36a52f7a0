import { createTranslator } from 'use-intl/core';
import { BASE_LANGUAGE, say, type Language, type LocalText } from '@/core/text';

type Messages = typeof import('../../../messages/family/en.json');
type Translator = ReturnType<typeof createTranslator<Messages>>;

/** Words of the family's pages, in one language: `t` by key, `local` the words of a task. */
export interface FamilyWords {
  readonly language: Language;
  readonly t: Translator;
  local(text: LocalText): string;
}

const loaded = new Map<Language, FamilyWords>();

/** The words of one language; its file alone is loaded. What it does not say is said in English. */
export async function familyWords(language: Language): Promise<FamilyWords> {
  const known = loaded.get(language);
  if (known) return known;
  const messages = merged(await messagesOf(BASE_LANGUAGE), language === BASE_LANGUAGE ? {} : await messagesOf(language));
  const t = createTranslator({ locale: language, messages });
  const words: FamilyWords = { language, t, local: (text) => say(text, language) };
  loaded.set(language, words);
  return words;
}

async function messagesOf(language: Language): Promise<Messages> {
  const file = (await import(`../../../messages/family/${language}.json`)) as unknown as { default: Messages };
  return file.default;
}

function merged<Tree extends object>(base: Tree, over: Partial<Tree>): Tree {
  const entries = Object.entries(base).map(([key, value]) => {
    const other = (over as Record<string, unknown>)[key];
    if (typeof value === 'object' && value !== null) return [key, merged(value as object, (other ?? {}) as object)];
    return [key, other ?? value];
  });
  return Object.fromEntries(entries) as Tree;
}
