import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { askAsTeacher } from '@/server/students/teacherLinks';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** Takes a teacher's question, from a plain form. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const form = await request.formData().catch(() => new FormData());
  const asked = { question: String(form.get('question') ?? ''), who: String(form.get('who') ?? '') };
  const answered = await answer(() => askAsTeacher(appContext(), token, asked));
  const to = (said: string) => new Response(null, { status: 303, headers: { location: `/t/${token}?said=${said}` } });
  if (answered.ok) return to(answered.value.isDanger ? 'danger' : 'passed');
  if (answered.fault.code === 'invalid') return to('empty');
  return new Response(faultWords(answered.fault), { status: STATUS_OF[answered.fault.code] });
}
