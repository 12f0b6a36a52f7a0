import { familyAnswer } from '@/app/familyAnswer';
import { dataOfDay, FamilyToday } from '@/ui/family/today/FamilyToday';

export const dynamic = 'force-dynamic';

export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const said = new URL(request.url).searchParams.get('said');
  return familyAnswer(request, token, (view, words) => ({
    about: words.t('today'),
    body: <FamilyToday view={view} token={token} words={words} said={said} />,
    data: dataOfDay(view, token, words),
  }));
}
