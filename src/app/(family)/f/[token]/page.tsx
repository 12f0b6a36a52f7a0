import { familyScreen, textFrom, type FamilyAddress } from '@/app/familyScreen';
import { FamilyToday } from '@/ui/family/today/FamilyToday';

export default async function FamilyPage({ params, searchParams }: { params: Promise<{ token: string }>; searchParams: FamilyAddress }) {
  const { token } = await params;
  const said = await textFrom(searchParams, 'said');
  return familyScreen(token, await textFrom(searchParams, 'lang'), (view, words) => (
    <FamilyToday view={view} token={token} words={words} said={said ?? null} />
  ));
}
