import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { constants } from 'node:zlib';
import compression from 'compression';
import next from 'next';
import { reportAnswer } from '@/app/reportAnswer';
import { withAnswerStatus } from '@/server/answerStatus';
import { provideContext } from '@/server/context';
import { CLIENT_HEADER } from '@/server/clientHeader';
import { clientAddress } from './clientAddress';
import { contextFrom } from './contextFrom';
import { FAMILY_HEADERS, securityHeaders } from './headers';

/**
 * The production server: Next, and in front of it the intake of reports, which families of a whole district send in the same
 * evening hour. The route does the same through Next; here it costs a tenth. `web.ts PORT`
 */
const port = Number(process.argv[2]);
const trusted = (process.env.YARD_TRUST_PROXY ?? '').split(',').filter(Boolean);
const hostname = process.env.YARD_HOST ?? '127.0.0.1';
const INTAKE = /^\/f\/([A-Za-z0-9_-]{1,64})\/report$/;
const MOST_BYTES = 64 * 1024;
const INTAKE_HEADERS = { ...securityHeaders(false), ...FAMILY_HEADERS, 'cache-control': 'no-store' };

const context = contextFrom(process.env);
provideContext(context);
const app = next({ dev: false, hostname, port, dir: process.cwd() });
await app.prepare();
const toNext = app.getRequestHandler();
/** A phone pays for each kilobyte: a tenth less than the frame's own compression makes of it, at about the same cost. */
const compress = compression({ brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 5 } } }) as unknown as (
  request: IncomingMessage,
  response: ServerResponse,
  then: () => void,
) => void;

const server = createServer((request, response) => {
  const forwarded = request.headers['x-forwarded-for'];
  request.headers[CLIENT_HEADER] = clientAddress(request.socket.remoteAddress, [forwarded].flat().join(','), trusted);
  const token = isForm(request) ? INTAKE.exec(request.url ?? '')?.[1] : undefined;
  if (token === undefined) compress(request, response, () => answerPage(request, response));
  else takeIn(token, request, response).catch(() => response.destroy());
});

function isForm(request: IncomingMessage): boolean {
  const type = request.headers['content-type']?.toLowerCase() ?? '';
  return request.method === 'POST' && type.startsWith('application/x-www-form-urlencoded');
}

/** Next's own answer, with the status that the page asks for: a page that says that the records are away is a 503. */
function answerPage(request: IncomingMessage, response: ServerResponse): void {
  withAnswerStatus((statusOf) => {
    const writeHead = response.writeHead.bind(response) as (status: number, ...rest: unknown[]) => ServerResponse;
    response.writeHead = ((status: number, ...rest: unknown[]) => writeHead(statusOf() ?? status, ...rest)) as ServerResponse['writeHead'];
    void toNext(request, response);
  });
}

async function takeIn(token: string, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const form = await bodyOf(request);
  if (form === null) {
    response.writeHead(413, { connection: 'close' }).end('That is more than a report holds.');
    return;
  }
  const raw = Object.fromEntries(new URLSearchParams(form));
  const { status, headers, body } = await reportAnswer(context, token, raw, request.headers.accept?.includes('application/json') ?? false);
  response.writeHead(status, { ...INTAKE_HEADERS, ...headers, 'content-length': Buffer.byteLength(body) }).end(body);
}

/** The body as text, or null where it is larger than any report. */
function bodyOf(request: IncomingMessage): Promise<string | null> {
  return new Promise((resolve, reject) => {
    let text = '';
    let bytes = 0;
    request.setEncoding('utf8');
    request.on('data', (chunk: string) => {
      bytes += Buffer.byteLength(chunk);
      if (bytes > MOST_BYTES) resolve(null);
      else text += chunk;
    });
    request.on('end', () => resolve(text));
    request.on('error', reject);
  });
}

/** So long a request that is under way may take after the server was asked to end. */
const GRACE_MILLISECONDS = 8_000;

// A proxy keeps its connections open for a minute: ours are open for longer, so that none closes under a request.
server.keepAliveTimeout = 75_000;
server.listen(port, hostname);
process.on('SIGTERM', () => {
  // What is under way is answered, and its connection closed; nothing new is taken.
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), GRACE_MILLISECONDS).unref();
});
