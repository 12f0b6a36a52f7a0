import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { viewFamily, type FamilyView } from '@/server/reports/viewFamily';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { languageFor, type Language } from '@/ui/shared/words';

export type FamilyAddress = Promise<Record<string, string | string[] | undefined>>;

/** A family's page: the link is all that is asked for; the language is the family's own unless the address names one. */
export async function familyScreen(
  token: string,
  wished: string | undefined,
  render: (view: FamilyView, language: Language) => React.ReactNode,
): Promise<React.ReactNode> {
  const answered = await answer(() => viewFamily(appContext(), token));
  if (!answered.ok) return <FamilyTrouble fault={answered.fault} language={languageFor(wished)} />;
  const language = languageFor(wished ?? answered.value.child.familyLanguage);
  return render(answered.value, language);
}

export async function textFrom(address: FamilyAddress, name: string): Promise<string | undefined> {
  const value = (await address)[name];
  return typeof value === 'string' ? value : undefined;
}
