import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { openApiByKey, readByKey } from '@/server/exchange/apiKeys';

export const dynamic = 'force-dynamic';

const BEARER = /^Bearer ([A-Za-z0-9_-]{1,100})$/;
const A_MINUTE = '60';

/** A page of a table for a district's own program, by key; or, as `openapi.json`, what can be asked. Read only, and shut where there is no key. */
export async function GET(request: Request, { params }: { params: Promise<{ table: string }> }): Promise<Response> {
  const context = appContext();
  const { table } = await params;
  const key = BEARER.exec(request.headers.get('authorization') ?? '')?.[1] ?? null;
  const options = Object.fromEntries(new URL(request.url).searchParams);
  const answered = await answer<object>(() =>
    table === 'openapi.json' ? openApiByKey(context, key) : readByKey(context, key, table, options),
  );
  const headers = { 'cache-control': 'no-store' };
  if (answered.ok) return Response.json(answered.value, { headers });
  const { code, detail } = answered.fault;
  const status = STATUS_OF[code];
  return Response.json({ fault: code, ...(detail && { detail }) }, { status, headers: { ...headers, ...retryAfter(status) } });
}

function retryAfter(status: number): Record<string, string> {
  if (status === 401) return { 'www-authenticate': 'Bearer' };
  return status === 429 || status === 503 ? { 'retry-after': A_MINUTE } : {};
}
