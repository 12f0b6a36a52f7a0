import { familyScreen, familyTitle, textFrom, type FamilyAddress } from '@/app/familyScreen';
import { FamilyToday } from '@/ui/family/today/FamilyToday';

interface Props {
  readonly params: Promise<{ token: string }>;
  readonly searchParams: FamilyAddress;
}

export async function generateMetadata({ params, searchParams }: Props) {
  return familyTitle((await params).token, await textFrom(searchParams, 'lang'), (_, { t }) => t('today'));
}

export default async function FamilyPage({ params, searchParams }: Props) {
  const { token } = await params;
  const said = await textFrom(searchParams, 'said');
  return familyScreen(token, await textFrom(searchParams, 'lang'), (view, words) => (
    <FamilyToday view={view} token={token} words={words} said={said ?? null} />
  ));
}
