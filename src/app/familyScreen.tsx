import { isbot } from 'isbot';
import { headers } from 'next/headers';
import { cache } from 'react';
import type { Metadata } from 'next';
import { answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import { STATUS_OF } from '@/server/errors';
import { appContext } from '@/server/context';
import { viewFamily, type FamilyView } from '@/server/reports/viewFamily';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { closedLink } from '@/server/reports/closedLink';
import { languageOf, LANGUAGES, type Language } from '@/core/text';
import { familyWords, type FamilyWords } from '@/ui/shared/familyWords';

export type FamilyAddress = Promise<Record<string, string | string[] | undefined>>;

/** Who asks: a person, or a program that looks ahead for one. */
async function readerOf(): Promise<'person' | 'robot'> {
  const asked = await headers();
  const looksAhead = /prefetch|preview/i.test(`${asked.get('sec-purpose')} ${asked.get('purpose')} ${asked.get('x-purpose')}`);
  return looksAhead || isbot(asked.get('user-agent')) ? 'robot' : 'person';
}

/** What a link opens, asked once for the frame, the title and the page of one request. */
const opened = cache(async (token: string) => {
  const answered = await answer(async () => viewFamily(appContext(), token, await readerOf()));
  if (answered.ok) return { answered, known: null };
  const isClosed = answered.fault.code === 'linkRevoked' || answered.fault.code === 'linkExpired';
  const whose = isClosed ? await answer(() => closedLink(appContext(), token)) : null;
  return { answered, known: whose?.ok ? whose.value : null };
});

/** The language that the address names, else the family's own, also where its link is closed. */
export async function familyLanguage(token: string, wished: string | undefined): Promise<Language> {
  const { answered, known } = await opened(token);
  return languageOf(wished ?? (answered.ok ? answered.value.child.familyLanguage : known?.language));
}

/** A family's page: the link is all that is asked for. */
export async function familyScreen(
  token: string,
  wished: string | undefined,
  render: (view: FamilyView, words: FamilyWords) => React.ReactNode,
): Promise<React.ReactNode> {
  const { answered, known } = await opened(token);
  const language = await familyLanguage(token, wished);
  if (answered.ok) return render(answered.value, await familyWords(language));
  setAnswerStatus(STATUS_OF[answered.fault.code]);
  // A link that is nobody's is told in every language.
  const languages = known || wished ? [language] : LANGUAGES;
  return (
    <FamilyTrouble fault={answered.fault} words={await Promise.all(languages.map((each) => familyWords(each)))} ask={known?.lead ?? null} />
  );
}

/** The title of a family's page: what it is about, never whose it is, since titles stay in a browser's list. */
export async function familyTitle(
  token: string,
  wished: string | undefined,
  about: (view: FamilyView, words: FamilyWords) => string | undefined,
): Promise<Metadata> {
  const { answered } = await opened(token);
  const said = answered.ok ? about(answered.value, await familyWords(await familyLanguage(token, wished))) : undefined;
  return { title: said ? `${said} · Yard Steps` : 'Yard Steps' };
}

export async function textFrom(address: FamilyAddress, name: string): Promise<string | undefined> {
  const value = (await address)[name];
  return typeof value === 'string' ? value : undefined;
}
