import { compose } from '@/app/paperWords';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { paperForTeacher } from '@/server/students/teacherLinks';
import { faultWords } from '@/ui/desk/frame/Trouble';

export const dynamic = 'force-dynamic';

/** The program as it goes home, for the classroom. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const options = Object.fromEntries(new URL(request.url).searchParams);
  const answered = await answer(() => paperForTeacher(appContext(), token, options, compose));
  if (!answered.ok) return new Response(faultWords(answered.fault), { status: STATUS_OF[answered.fault.code] });
  return new Response(Buffer.from(answered.value.file), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': 'attachment; filename="practice.pdf"' },
  });
}
