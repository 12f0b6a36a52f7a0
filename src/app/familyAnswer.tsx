import { isbot } from 'isbot';
import { languageOf, LANGUAGES, type Language } from '@/core/text';
import { answer, type Fault } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { closedLink } from '@/server/reports/closedLink';
import { viewFamily, type FamilyView } from '@/server/reports/viewFamily';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { familyWords, type FamilyWords } from '@/ui/shared/familyWords';
import { familyHtml, type Drawn } from './familyHtml';

/**
 * The answer to who opens a family's link: a page of its own, with no framework behind it. A phone on a slow line has it, and can count
 * on it, in a third of the time (docs/decisions.md).
 * @param draw null where the page leads back to the day
 */
export async function familyAnswer(
  request: Request,
  token: string,
  draw: (view: FamilyView, words: FamilyWords) => Drawn | null,
): Promise<Response> {
  const chosen = new URL(request.url).searchParams.get('lang');
  const requested = chosen ?? keptLanguage(request);
  const answered = await answer(async () => viewFamily(appContext(), token, readerOf(request)));
  if (!answered.ok) return trouble(answered.fault, token, requested);
  const language = languageOf(requested ?? answered.value.child.familyLanguage);
  const drawn = draw(answered.value, await familyWords(language));
  // The plan has gone on since this page was opened: today shows the one in force.
  if (!drawn) return new Response(null, { status: 307, headers: { location: `/f/${token}` } });
  const page = await familyHtml(200, language, { ...drawn, manifest: `/f/${token}/manifest?lang=${language}` });
  if (chosen && chosen === language && chosen !== keptLanguage(request)) page.headers.set('set-cookie', languageCookie(token, language));
  return page;
}

const KEPT_SECONDS = 365 * 86_400;

/** A language that was chosen on this phone is kept for this link: the next text opens it again. */
function languageCookie(token: string, language: Language): string {
  const secure = appContext().origin.startsWith('https:') ? '; Secure' : '';
  return `lang=${language}; Path=/f/${token}; Max-Age=${KEPT_SECONDS}; HttpOnly; SameSite=Lax${secure}`;
}

function keptLanguage(request: Request): Language | null {
  const kept = /(?:^|;\s*)lang=([a-z]{2})(?:;|$)/.exec(request.headers.get('cookie') ?? '')?.[1];
  return LANGUAGES.find((language) => language === kept) ?? null;
}

/** Renders the page of a link that opens nothing: in its family's language where that is known, else in every one. */
async function trouble(fault: Fault, token: string, requested: string | null): Promise<Response> {
  const isClosed = fault.code === 'linkRevoked' || fault.code === 'linkExpired';
  const whose = isClosed ? await answer(() => closedLink(appContext(), token)) : null;
  const known = whose?.ok ? whose.value : null;
  const language = languageOf(requested ?? known?.language);
  const languages = known || requested ? [language] : LANGUAGES;
  const words = await Promise.all(languages.map((each) => familyWords(each)));
  const body = <FamilyTrouble fault={fault} words={words} ask={known?.lead ?? null} />;
  // While the records are away the page asks again by itself.
  return familyHtml(STATUS_OF[fault.code], language, { about: '', body, data: null, ...(fault.code === 'databaseAway' && { again: 3 }) });
}

/** Tells a person from a program that previews links. */
function readerOf({ headers }: Request): 'person' | 'robot' {
  const looksAhead = /prefetch|preview/i.test(`${headers.get('sec-purpose')} ${headers.get('purpose')} ${headers.get('x-purpose')}`);
  return looksAhead || isbot(headers.get('user-agent')) ? 'robot' : 'person';
}
