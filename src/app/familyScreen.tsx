import { answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import { STATUS_OF } from '@/server/errors';
import { appContext } from '@/server/context';
import { viewFamily, type FamilyView } from '@/server/reports/viewFamily';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { closedLink } from '@/server/reports/closedLink';
import { languageOf, LANGUAGES } from '@/core/text';
import { familyWords, type FamilyWords } from '@/ui/shared/familyWords';

export type FamilyAddress = Promise<Record<string, string | string[] | undefined>>;

/** A family's page: the link is all that is asked for; the language is the family's own unless the address names one. */
export async function familyScreen(
  token: string,
  wished: string | undefined,
  render: (view: FamilyView, words: FamilyWords) => React.ReactNode,
): Promise<React.ReactNode> {
  const answered = await answer(() => viewFamily(appContext(), token));
  if (!answered.ok) {
    setAnswerStatus(STATUS_OF[answered.fault.code]);
    const isClosed = answered.fault.code === 'linkRevoked' || answered.fault.code === 'linkExpired';
    const whose = isClosed ? await answer(() => closedLink(appContext(), token)) : null;
    const known = whose?.ok ? whose.value : null;
    const language = languageOf(wished ?? known?.language);
    // A link that is nobody's is told in every language.
    const languages = known || wished ? [language] : LANGUAGES;
    return (
      <FamilyTrouble
        fault={answered.fault}
        words={await Promise.all(languages.map((each) => familyWords(each)))}
        ask={known?.lead ?? null}
      />
    );
  }
  return render(answered.value, await familyWords(languageOf(wished ?? answered.value.child.familyLanguage)));
}

export async function textFrom(address: FamilyAddress, name: string): Promise<string | undefined> {
  const value = (await address)[name];
  return typeof value === 'string' ? value : undefined;
}
