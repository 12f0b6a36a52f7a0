import { familyHtml } from '@/app/familyHtml';
import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { viewHome } from '@/server/students/homeInventory';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { HomePage } from '@/ui/family/home/HomePage';
import { familyWords } from '@/ui/shared/familyWords';

export const dynamic = 'force-dynamic';

export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const asked = new URL(request.url).searchParams;
  const answered = await answer(() => viewHome(appContext(), token));
  const language = languageOf(asked.get('lang') ?? (answered.ok ? answered.value.child.familyLanguage : null));
  const words = await familyWords(language);
  if (!answered.ok) {
    const body = <FamilyTrouble fault={answered.fault} words={[words]} />;
    return familyHtml(STATUS_OF[answered.fault.code], language, { about: '', body, data: null });
  }
  const body = <HomePage view={answered.value} token={token} words={words} isTold={asked.get('said') === 'told'} />;
  return familyHtml(200, language, { about: words.t('home.title'), body, data: null });
}
