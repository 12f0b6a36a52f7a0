import { familyLanguage, familyTitle, textFrom, type FamilyAddress } from '@/app/familyScreen';
import { answer } from '@/server/answer';
import { setAnswerStatus } from '@/server/answerStatus';
import { viewHome } from '@/server/caseload/homeInventory';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { HomePage } from '@/ui/family/home/HomePage';
import { familyWords } from '@/ui/shared/familyWords';

interface Props {
  readonly params: Promise<{ token: string }>;
  readonly searchParams: FamilyAddress;
}

export async function generateMetadata({ params, searchParams }: Props) {
  return familyTitle((await params).token, await textFrom(searchParams, 'lang'), (_, { t }) => t('home.title'));
}

export default async function FamilyHomePage({ params, searchParams }: Props) {
  const { token } = await params;
  const words = await familyWords(await familyLanguage(token, await textFrom(searchParams, 'lang')));
  const answered = await answer(() => viewHome(appContext(), token));
  if (answered.ok)
    return <HomePage view={answered.value} token={token} words={words} isTold={(await textFrom(searchParams, 'said')) === 'told'} />;
  setAnswerStatus(STATUS_OF[answered.fault.code]);
  return <FamilyTrouble fault={answered.fault} words={[words]} ask={null} />;
}
