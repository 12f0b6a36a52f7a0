import { answerWith } from '@/app/screen';
import { exportChild } from '@/server/exchange/exportChild';
import { childPage } from '@/ui/desk/exchange/childPage';

/** Everything that is kept of a child in one file: `?as=json` as data, else to read. */
export async function GET(request: Request, { params }: { params: Promise<{ childId: string }> }): Promise<Response> {
  const childId = Number((await params).childId);
  const asData = new URL(request.url).searchParams.get('as') === 'json';
  return answerWith(
    (actor, context) => exportChild(context, actor, childId),
    async (all) => {
      const [body, type, end] = asData
        ? [JSON.stringify(all, null, 1), 'application/json', 'json']
        : [await childPage(all), 'text/html', 'html'];
      const headers = { 'content-type': `${type}; charset=utf-8`, 'content-disposition': `attachment; filename="child-${childId}.${end}"` };
      return new Response(body, { headers });
    },
  );
}
