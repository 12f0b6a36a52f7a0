import { act } from '@/app/screen';
import { STATUS_OF } from '@/server/errors';
import { viewContents } from '@/server/tasks/viewContents';
import { faultWords } from '@/ui/desk/frame/Trouble';

const FOR_GOOD = 'private, max-age=31536000, immutable';

/** `?key=…`: the library's tasks. Under its own key it never changes, so a browser that has it asks no more. */
export async function GET(request: Request): Promise<Response> {
  const answered = await act((actor, context) => viewContents(context, actor));
  if (!answered.ok) return new Response(faultWords(answered.fault), { status: STATUS_OF[answered.fault.code] });
  const { key, tasks } = answered.value;
  const asked = new URL(request.url).searchParams.get('key');
  return Response.json(tasks, { headers: { 'cache-control': asked === key ? FOR_GOOD : 'no-store' } });
}
