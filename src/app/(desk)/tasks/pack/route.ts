import { act } from '@/app/screen';
import { exportPack } from '@/server/tasks/packs';
import { STATUS_OF } from '@/server/errors';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** `?slug=a&slug=b` for these tasks, nothing for all that one made. */
export async function GET(request: Request): Promise<Response> {
  const slugs = new URL(request.url).searchParams.getAll('slug').slice(0, 200);
  const answered = await act((actor, context) => exportPack(context, actor, slugs));
  if (!answered.ok) return new Response(faultWords(answered.fault), { status: STATUS_OF[answered.fault.code] });
  return new Response(answered.value, {
    headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': 'attachment; filename="task-pack.json"' },
  });
}
