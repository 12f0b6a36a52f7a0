import { randomBytes } from 'node:crypto';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { constants } from 'node:zlib';
import compression from 'compression';
import next from 'next';
import { AGAIN_SECONDS, busyPage } from '@/app/busyPage';
import { reportAnswer } from '@/app/reportAnswer';
import { answer } from '@/server/answer';
import { withAnswerStatus } from '@/server/answerStatus';
import { CLIENT_HEADER, LENGTH_HEADER } from '@/server/clientHeader';
import { provideContext } from '@/server/context';
import { allowedHosts } from './allowedHosts';
import { isSmallBody, refuseLargeBody, type Sender } from './bodyLimit';
import { clientAddress } from './clientAddress';
import { contextFrom } from './contextFrom';
import { GracefulShutdown } from './gracefulShutdown';
import { headersFor } from './headers';
import { escapeNewlines } from './escapeNewlines';
import { ConcurrencyLimiter } from './concurrencyLimiter';
import { metricsAddress, serveMetrics, WebMetrics } from './metrics';
import { abortSlowUpload, abortUnfinishedUpload, SENDING_CLIP_MILLISECONDS } from './slowSenders';
import { awaitTurn } from './awaitTurn';
import { AtOnce, bodyOf, wholeRequest } from './wholeRequest';

/**
 * The production server: Next, and in front of it what every request passes: whose name was asked for, how large it may be, the headers, and
 * the intake of reports, which families of a whole district send in the same evening hour. The route does the same through Next; here it
 * costs a tenth. `web.ts PORT`
 */
const port = Number(process.argv[2]);
const listOf = (name: string) => (process.env[name] ?? '').split(',').filter(Boolean);
const trusted = listOf('YARD_TRUST_PROXY');
const hostname = process.env.YARD_HOST ?? '127.0.0.1';
/** The thread that plans weeks in the browser, and what it is compiled of. */
const SOLVER = /^\/plan\/(worker\.js|highs\.wasm)$/;
const FAMILY = /^\/f\/([^/?]*)/;
/** The frame would draw a page for any other, too. */
const METHODS = ['GET', 'HEAD', 'POST'];
/** The only routes that take and serve photos and videos. */
const TAKES_CLIP = /^\/(videos\/take|f\/[A-Za-z0-9_-]{1,64}\/send-back)$/;
const GIVES_CLIP = /^\/(videos|f\/[A-Za-z0-9_-]{1,64}\/shown)\/\d+\//;
/** Streaming jobs (plans, PDFs) hold a slot as long as they run, in a pool of their own. */
const MAKES = /^\/(planner|progress|print|worksheets\/week)\/make(\?|$)/;
const INTAKE = /^\/f\/[A-Za-z0-9_-]{1,64}\/report$/;

escapeNewlines();
const context = contextFrom(process.env);
provideContext(context);
const isSecure = context.origin.startsWith('https:');
const isAllowed = allowedHosts(context.origin, port, listOf('YARD_ALLOWED_HOSTS'));
const app = next({ dev: false, hostname, port, dir: process.cwd() });
await app.prepare();
const toNext = app.getRequestHandler();
/** A phone pays for each kilobyte: a tenth less than the frame's own compression makes of it, at about the same cost. */
const compress = compression({ brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 5 } } }) as unknown as (
  request: IncomingMessage,
  response: ServerResponse,
  then: () => void,
) => void;

/** A page holds a connection of the pool for a while: families that all come at once do not keep the desk waiting for ever, nor the other way round. */
const FAMILY_PAGES_AT_ONCE = 8;
const DESK_PAGES_AT_ONCE = 4;
/** A page of the desk takes the machine ten times as long as a family's: while families are here it is the desk that is slowed. */
const DESK_PAGES_BESIDE_FAMILIES = 2;
const PAGES_WAITING = 150;
const LONGEST_WAIT_MILLISECONDS = 8_000;
/** Writes wait longer for a slot than reads: a form cannot retry by itself. */
const LONGEST_ACT_MILLISECONDS = 20_000;
const LONGEST_CLIP_MILLISECONDS = 600_000;
const family = new ConcurrencyLimiter(
  () => FAMILY_PAGES_AT_ONCE,
  PAGES_WAITING,
  LONGEST_WAIT_MILLISECONDS,
  () => desk.admit(),
);
let reportsComingIn = 0;
const familiesAreHere = () => family.count + reportsComingIn > 0;
const desk: ConcurrencyLimiter = new ConcurrencyLimiter(
  () => (familiesAreHere() ? DESK_PAGES_BESIDE_FAMILIES : DESK_PAGES_AT_ONCE),
  PAGES_WAITING,
  LONGEST_WAIT_MILLISECONDS,
);
const lanes = {
  family,
  desk,
  acts: new ConcurrencyLimiter(() => DESK_PAGES_AT_ONCE, PAGES_WAITING, LONGEST_ACT_MILLISECONDS),
  makes: new ConcurrencyLimiter(() => DESK_PAGES_AT_ONCE, PAGES_WAITING, LONGEST_ACT_MILLISECONDS),
  // A clip takes as long as the line of who looks at it, and holds nothing else meanwhile.
  clipOut: new ConcurrencyLimiter(() => 64, PAGES_WAITING, LONGEST_WAIT_MILLISECONDS, undefined, LONGEST_CLIP_MILLISECONDS),
  // Each is held whole while it is read.
  clipIn: new ConcurrencyLimiter(() => 6, 20, 60_000, undefined, LONGEST_CLIP_MILLISECONDS),
};
const metricsAt = metricsAddress(process.env);
const metrics = metricsAt && new WebMetrics(context, lanes);
/** No page takes so long while pages are served. Our own choice. */
const STUCK_MILLISECONDS = 30_000;
const MOST_CONNECTIONS = 4_000;
const FILES = /^\/(?:_next\/static|plan|lab|visit)\/[\w./-]+\.(?:js|css|wasm|woff2?|svg|png|map)(?:\?|$)/;

/** Clips that one address sends at once: a school behind one address still leaves places to others. Our own choice. */
const clipSenders = new AtOnce(2);
const BUSY = 'Many people are using Yard Steps right now. Please try again in a moment.';

const server = createServer({ requestTimeout: SENDING_CLIP_MILLISECONDS, headersTimeout: 15_000 }, (request, response) => {
  receive(request, response).catch(() => response.destroy());
});
server.maxConnections = MOST_CONNECTIONS;
const ending = new GracefulShutdown(server);

async function receive(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const address = request.url ?? '/';
  const { socket } = request;
  if (!(await awaitTurn(request, response))) return;
  if (metrics) {
    const startedAt = performance.now();
    response.once('close', () => metrics.answered(nameOfLane(request), response.statusCode, (performance.now() - startedAt) / 1_000));
  }
  // A path that means another one than it says would pass by the lanes.
  if (!isPlainPath(address)) return sendPlainText(response, 400, 'This address is not written as addresses are.', request);
  const token = FAMILY.exec(address)?.[1];
  // A teacher's page is as small as a family's, and as private.
  const isFamily = token !== undefined || address.startsWith('/t/');
  const isClip = TAKES_CLIP.test(address);
  if (!isClip) abortUnfinishedUpload(request, response);
  const nonce = randomBytes(16).toString('base64');
  const headers = headersFor({ scripts: SOLVER.test(address) ? 'solver' : { nonce }, isSecure, isFamily });
  for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
  if (!isAllowed(request.headers.host)) return sendPlainText(response, 421, 'Yard Steps is not asked for by this name.');
  // Client address and script nonce are set here; values from the request are dropped.
  const forwarded = [request.headers['x-forwarded-for']].flat().join(',');
  request.headers[CLIENT_HEADER] = clientAddress(request.socket.remoteAddress, forwarded, trusted);
  request.headers['content-security-policy'] = headers['Content-Security-Policy'];
  delete request.headers['x-forwarded-host'];
  delete request.headers['content-security-policy-report-only'];
  if (!METHODS.includes(request.method ?? '')) {
    response.setHeader('Allow', METHODS.join(', '));
    return sendPlainText(response, 405, 'No page is asked for in this way.', request);
  }
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    if (token !== undefined && !(await isKnown(token))) return sendPlainText(response, 404, 'This link does not open anything.', request);
    const sender: Sender = isClip ? 'clip' : isFamily ? 'family' : 'desk';
    if (refuseLargeBody(request, response, sender)) return;
    if (request.method === 'POST' && INTAKE.test(address) && isForm(request)) return takeIn(token!, request, response);
  }
  if (address.startsWith('/f/made/')) {
    response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
    return compress(request, response, () => answerPage(request, response));
  }
  // A load balancer then sends requests to another machine.
  if (address === '/api/health' && [family, desk].some((lane) => lane.isStuckFor(STUCK_MILLISECONDS)))
    return sendPlainText(response, 503, 'No page was answered for half a minute.', request);
  if (FILES.test(address) || address.startsWith('/api/')) {
    // Files hold no lane; who does not read one is cut off in the end.
    const timer = setTimeout(() => socket.destroy(), LONGEST_CLIP_MILLISECONDS).unref();
    response.once('close', () => clearTimeout(timer));
    return answerPage(request, response);
  }
  response.setHeader('Cache-Control', 'no-store');
  const client = request.headers[CLIENT_HEADER];
  if (isClip) {
    if (!clipSenders.enter(client)) return sendPlainText(response, 503, BUSY, request);
    response.once('close', () => clipSenders.leave(client));
    abortSlowUpload(request, response);
  } else if (request.method === 'POST') {
    const whole = await wholeRequest(request, client);
    if (whole === 'gone' || response.headersSent) return;
    if (whole === 'turned away') return sendPlainText(response, 503, BUSY, request);
    request = whole;
  }
  const lane = lanes[laneOf(request, isFamily)];
  const room = await lane.hold(response);
  if (room === 'gone') return;
  if (room === 'turned away') {
    response.setHeader('Retry-After', String(AGAIN_SECONDS));
    if (!wantsPage(request)) return sendPlainText(response, 503, BUSY, request);
    response
      .writeHead(503, { 'content-type': 'text/html; charset=utf-8' })
      .end(await busyPage(String(request.headers['accept-language'] ?? '')));
    return;
  }
  const page = isFamily ? familyPages?.familyPage(request) : null;
  compress(request, response, () => {
    if (page) void familyPages!.answerFamilyPage(page, context.origin, request, response);
    else answerPage(request, response);
  });
}

/** True where a path stands as it will be read: no `..`, no second slash at its start, no other host. */
function isPlainPath(address: string): boolean {
  const [written = ''] = address.split(/[?#]/);
  return (
    URL.canParse(address, 'http://own.invalid') &&
    new URL(address, 'http://own.invalid').host === 'own.invalid' &&
    !/(?:^|\/)(?:\.|%2e){1,2}(?:\/|$)|^\/\/|\\/i.test(written)
  );
}

/** For the figures: what has no lane is told by what it is. */
function nameOfLane(request: IncomingMessage): string {
  const { url = '/', method } = request;
  if (method === 'POST' && INTAKE.test(url)) return 'reports';
  if (FILES.test(url) || url.startsWith('/f/made/')) return 'files';
  if (url.startsWith('/api/')) return 'api';
  return laneOf(request, FAMILY.test(url) || url.startsWith('/t/'));
}

function laneOf({ method, url = '/' }: IncomingMessage, isFamily: boolean): keyof typeof lanes {
  if (TAKES_CLIP.test(url)) return 'clipIn';
  if (GIVES_CLIP.test(url)) return 'clipOut';
  if (isFamily) return 'family';
  if (MAKES.test(url)) return 'makes';
  return method === 'POST' ? 'acts' : 'desk';
}

/** A browser that goes to an address, not a script that asks for a part of a page. */
function wantsPage({ method, headers }: IncomingMessage): boolean {
  return method === 'GET' && (headers.accept ?? '').includes('text/html') && headers.rsc === undefined;
}

/** An unreachable database refuses nobody here: the page says so itself. */
async function isKnown(token: string): Promise<boolean> {
  const found = await answer(() => context.knownLinks.has(token));
  return !found.ok || found.value;
}

/** @param unread a request whose body nobody will read: a small one is let pass, so that the sender reads the answer; a large one is cut off */
function sendPlainText(response: ServerResponse, status: number, words: string, unread?: IncomingMessage): void {
  const isSmall = !unread || isSmallBody(unread);
  response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', ...(!isSmall && { connection: 'close' }) }).end(words);
  unread?.resume();
  if (!isSmall) setTimeout(() => unread!.destroy(), 1_000).unref();
}

function isForm(request: IncomingMessage): boolean {
  return (request.headers['content-type']?.toLowerCase() ?? '').startsWith('application/x-www-form-urlencoded');
}

/**
 * Next's own answer, with the status that the page asks for: a page that says that the records are away is a 503. An act of ours never
 * fails with 500, so that an act that does was not one: what came could not be read.
 */
function answerPage(request: IncomingMessage, response: ServerResponse): void {
  withAnswerStatus((statusOf) => {
    const writeHead = response.writeHead.bind(response) as (status: number, ...rest: unknown[]) => ServerResponse;
    const plain = (status: number) => {
      if (status !== 500 || request.method !== 'POST') return status;
      // Unread bytes on the connection must not be taken for the next request.
      response.shouldKeepAlive = false;
      return 400;
    };
    response.writeHead = ((status: number, ...rest: unknown[]) => {
      tellLength(response);
      return writeHead(statusOf() ?? plain(status), ...rest);
    }) as ServerResponse['writeHead'];
    void toNext(request, response);
  });
}

/** The frame lets no answer say how long it is: of a file a phone shows how much of it has come by that. */
function tellLength(response: ServerResponse): void {
  const bytes = response.getHeader(LENGTH_HEADER);
  if (bytes === undefined) return;
  response.removeHeader(LENGTH_HEADER);
  response.setHeader('Content-Length', bytes);
}

async function takeIn(token: string, request: IncomingMessage, response: ServerResponse): Promise<void> {
  reportsComingIn += 1;
  response.once('close', () => {
    reportsComingIn -= 1;
    desk.admit();
  });
  const raw = Object.fromEntries(new URLSearchParams((await bodyOf(request)).toString('utf8')));
  const { status, headers, body } = await reportAnswer(context, token, raw, request.headers.accept?.includes('application/json') ?? false);
  const own = headersFor({ scripts: 'none', isSecure, isFamily: true });
  response.writeHead(status, { ...own, 'cache-control': 'no-store', ...headers, 'content-length': Buffer.byteLength(body) }).end(body);
}

/** Time for requests in flight after the server was asked to stop, in milliseconds. */
const GRACE_MILLISECONDS = 8_000;

// A proxy keeps its connections open for a minute: ours are open for longer, so that none closes under a request.
server.keepAliveTimeout = 75_000;
server.listen(port, hostname);
if (metricsAt) serveMetrics(metricsAt);
// The renderer takes a while to load; until then Next.js answers.
let familyPages: typeof import('./familyPages') | null = null;
void import('./familyPages').then((loaded) => (familyPages = loaded));
process.on('SIGTERM', () => void ending.begin(GRACE_MILLISECONDS).then(() => process.exit(0)));
