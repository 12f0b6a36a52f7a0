import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { receiveText } from '@/server/reports/replies/receiveText';
import { isSigned } from '@/server/reports/replies/textSignature';

export const dynamic = 'force-dynamic';

/** Accepts a family's text from a text service: signed, and stored once a key, as docs/running.md describes. */
export async function POST(request: Request): Promise<Response> {
  const context = appContext();
  const { incomingKey } = context.house;
  if (!incomingKey) return Response.json({ fault: 'notFound' }, { status: 404 });
  const body = await request.text();
  if (!isSigned(body, request.headers.get('yard-signature'), incomingKey, context.now())) {
    return Response.json({ fault: 'notAllowed' }, { status: 401 });
  }
  const answered = await answer(async () => receiveText(context, parsed(body)));
  if (!answered.ok) return Response.json({ fault: answered.fault.code }, { status: STATUS_OF[answered.fault.code] });
  return Response.json({ fresh: answered.value.fresh });
}

/** No JSON is no text: the schema says so. */
function parsed(body: string): unknown {
  try {
    return JSON.parse(body);
  } catch {
    return null;
  }
}
