import { answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import { STATUS_OF } from '@/server/errors';
import { appContext } from '@/server/context';
import { viewFamily, type FamilyView } from '@/server/reports/viewFamily';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { languageOf } from '@/core/text';
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
    return <FamilyTrouble fault={answered.fault} words={await familyWords(languageOf(wished))} />;
  }
  return render(answered.value, await familyWords(languageOf(wished ?? answered.value.child.familyLanguage)));
}

export async function textFrom(address: FamilyAddress, name: string): Promise<string | undefined> {
  const value = (await address)[name];
  return typeof value === 'string' ? value : undefined;
}
