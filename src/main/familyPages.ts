import type { IncomingMessage, ServerResponse } from 'node:http';
import { GET as today } from '@/app/(family)/f/[token]/route';
import { GET as task } from '@/app/(family)/f/[token]/task/[versionTaskId]/route';
import { logUncaught } from '@/server/answer';

const TODAY = /^\/f\/([A-Za-z0-9_-]{1,64})(?:\?|$)/;
const TASK = /^\/f\/([A-Za-z0-9_-]{1,64})\/task\/(\d{1,15})(?:\?|$)/;

type Page = (request: Request) => Promise<Response>;

/**
 * The two pages that families open all day, answered by their routes as they stand, without the frame around them: through it each takes the
 * machine twice as long. Null for every other address, which goes through the frame.
 */
export function familyPage({ method, url = '' }: IncomingMessage): Page | null {
  if (method !== 'GET') return null;
  const [, ofToday] = TODAY.exec(url) ?? [];
  if (ofToday) return (request) => today(request, { params: Promise.resolve({ token: ofToday }) });
  const [, token, versionTaskId] = TASK.exec(url) ?? [];
  return token && versionTaskId ? (request) => task(request, { params: Promise.resolve({ token, versionTaskId }) }) : null;
}

/** @param origin what the address that was asked for belongs to */
export async function answerFamilyPage(page: Page, origin: string, request: IncomingMessage, response: ServerResponse): Promise<void> {
  try {
    const answered = await page(new Request(new URL(request.url!, origin), { headers: headersOf(request) }));
    response.writeHead(answered.status, Object.fromEntries(answered.headers));
    response.end(Buffer.from(await answered.arrayBuffer()));
  } catch (error) {
    logUncaught(error, { routePath: '/f/[token]', routeType: 'route' });
    response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8' }).end('Something went wrong on our side. Please try again.');
  }
}

function headersOf({ headers }: IncomingMessage): Headers {
  const known = new Headers();
  for (const [name, value] of Object.entries(headers)) if (typeof value === 'string' && !name.startsWith(':')) known.set(name, value);
  return known;
}
