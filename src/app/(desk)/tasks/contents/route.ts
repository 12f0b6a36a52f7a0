import { answerWith } from '@/app/screen';
import { viewContents } from '@/server/tasks/viewContents';

const FOR_GOOD = 'private, max-age=31536000, immutable';

/** `?key=…`: the library's tasks. Under its own key it never changes, so a browser that has it asks no more. */
export async function GET(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams.get('key');
  return answerWith(
    (actor, context) => viewContents(context, actor),
    ({ key, tasks }) => Response.json(tasks, { headers: { 'cache-control': asked === key ? FOR_GOOD : 'no-store' } }),
  );
}
