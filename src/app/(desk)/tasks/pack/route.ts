import { answerWith } from '@/app/screen';
import { exportPack } from '@/server/tasks/packs';

const HEADERS = { 'content-type': 'application/json; charset=utf-8', 'content-disposition': 'attachment; filename="task-pack.json"' };

/** `?slug=a&slug=b` for these tasks, nothing for all that one made. */
export async function GET(request: Request): Promise<Response> {
  const slugs = new URL(request.url).searchParams.getAll('slug').slice(0, 200);
  return answerWith(
    (actor, context) => exportPack(context, actor, slugs),
    (pack) => new Response(pack, { headers: HEADERS }),
  );
}
