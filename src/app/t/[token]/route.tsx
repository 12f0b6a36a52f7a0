import { familyHtml } from '@/app/familyHtml';
import { BASE_LANGUAGE } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { viewTeacher } from '@/server/students/teacherLinks';
import { FamilyTrouble } from '@/ui/family/FamilyTrouble';
import { familyWords } from '@/ui/shared/familyWords';
import { TeacherPage } from '@/ui/teacher/TeacherPage';

export const dynamic = 'force-dynamic';

const SAID = ['passed', 'danger', 'empty'] as const;

export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const said = new URL(request.url).searchParams.get('said');
  const answered = await answer(() => viewTeacher(appContext(), token));
  if (!answered.ok) {
    const body = <FamilyTrouble fault={answered.fault} words={[await familyWords(BASE_LANGUAGE)]} />;
    return familyHtml(STATUS_OF[answered.fault.code], BASE_LANGUAGE, { about: '', body, data: null });
  }
  const body = <TeacherPage view={answered.value} token={token} said={SAID.find((each) => each === said) ?? null} />;
  return familyHtml(200, BASE_LANGUAGE, { about: 'For the teacher', body, data: null });
}
