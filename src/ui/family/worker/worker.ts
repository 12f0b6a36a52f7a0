import { flushOutbox } from '../outbox/outboxStore';

/**
 * Keeps the pages of one family's link on its own phone, so that what was opened with a network can be read and done without one, and
 * sends what waits once there is one. Asked first is always the network: a kept page is shown only where no answer comes.
 *
 * Messages of a page: `keep` (fetch these pages and forget the others), `renew` (a report went out: what is kept of its task and of
 * the day is no longer true), `wasKept` (answered with the time of the page that is shown, or null).
 */
interface Worker {
  readonly location: Location;
  readonly registration: { readonly scope: string };
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  addEventListener(kind: string, listener: (event: WorkerEvent) => void): void;
}
interface WorkerEvent {
  readonly request: Request;
  readonly resultingClientId: string;
  readonly tag?: string;
  readonly data: { kind: string; link: string; pages: readonly string[]; task: string; hurt: boolean };
  readonly ports: readonly MessagePort[];
  readonly source: { readonly id: string };
  waitUntil(work: Promise<unknown>): void;
  respondWith(answer: Promise<Response>): void;
}
const worker = self as unknown as Worker;

const LINK = new URL(worker.registration.scope).pathname.replace(/\/$/, '');
const PAGES = `yard-pages:${LINK}`;
/** Shared by all links: they hold nothing of a child, and what one is called by never changes. */
const PARTS = 'yard-family-parts';
/** Clips and pictures that were looked at. */
const SHOWN = `yard-shown:${LINK}`;
const PART = /\/f\/made\/[^"'\\\s)]+/g;
/** Caches of earlier versions of this worker, all links in one place. */
const OLD_PLACES = ['yard-family-pages'];
const MOST_PARTS = 60;
const WAIT_MILLISECONDS = 6000;

/** Time at which a stored page that a client shows was made, by client. */
const shownKept = new Map<string, string | null>();

worker.addEventListener('install', () => void worker.skipWaiting());
worker.addEventListener('activate', (event) =>
  event.waitUntil(Promise.all([worker.clients.claim(), ...OLD_PLACES.map((place) => caches.delete(place))])),
);
worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== worker.location.origin) return;
  if (pathname.startsWith('/f/made/')) event.respondWith(part(request.url));
  else if (isShown(pathname) && request.mode !== 'navigate' && !request.headers.has('range')) event.respondWith(shown(event));
  else if (request.mode === 'navigate' && isOurs(pathname)) event.respondWith(page(event));
});
worker.addEventListener('message', (event) => {
  const { kind, pages, task, hurt } = event.data;
  if (kind === 'wasKept') event.ports[0]!.postMessage(shownKept.get(event.source.id) ?? null);
  if (kind === 'keep') event.waitUntil(keepAll(pages));
  if (kind === 'renew') event.waitUntil(renew(task, hurt));
});
// Background sync, where the browser has it: also after every page of ours was closed.
worker.addEventListener('sync', (event) => {
  if (event.tag === 'outbox')
    event.waitUntil(flushOutbox(`${LINK}/report`).then(({ kind }) => (kind === 'kept' ? Promise.reject(new Error(kind)) : kind)));
});

/** Sheets and clips are files and no pages, and what is sent with a network alone is not kept: that one of them is not there says nothing of the link. */
const NO_PAGES = ['sheet', 'shown', 'show-back'].map((name) => `${LINK}/${name}/`);
const isOurs = (pathname: string) =>
  pathname === LINK || (pathname.startsWith(`${LINK}/`) && !NO_PAGES.some((start) => pathname.startsWith(start)));
const isShown = (pathname: string) => pathname.startsWith(`${LINK}/shown/`);

async function page({ request, resultingClientId }: WorkerEvent): Promise<Response> {
  const kept = await keptFor(request.url);
  const late = new Promise<null>((resolve) => {
    if (kept) setTimeout(resolve, WAIT_MILLISECONDS, null);
  });
  const answer = await Promise.race([fetch(request).catch(() => null), late]);
  if (answer && answer.status < 500) {
    await remember(request.url, answer.clone());
    return answer;
  }
  if (!kept) return answer ?? Response.error();
  shownKept.set(resultingClientId, kept.headers.get('date'));
  return kept;
}

/** The page kept for an address; where that was never kept (another language, say), the same one as it is opened from the day. */
async function keptFor(url: string): Promise<Response | null> {
  const cache = await caches.open(PAGES);
  const { pathname } = new URL(url);
  const same = (await cache.keys()).map((each) => new URL(each.url)).filter((each) => each.pathname === pathname);
  const near = same.find(({ searchParams }) => !searchParams.has('step')) ?? same[0];
  return (await cache.match(bare(url))) ?? (near ? await cache.match(near.href) : null) ?? null;
}

/** The result of the last report belongs to no page that is shown again. */
function bare(url: string): string {
  const address = new URL(url);
  address.searchParams.delete('said');
  address.hash = '';
  return address.href;
}

async function remember(url: string, answer: Response): Promise<void> {
  const cache = await caches.open(PAGES);
  // A link that was closed shows nothing more, with or without network.
  if (answer.status >= 400) {
    await caches.delete(SHOWN);
    return forget(cache, new Set());
  }
  // The plan has gone on: this page leads to the day now.
  if (!answer.ok || answer.redirected) return void (await cache.delete(bare(url)));
  const html = await answer.clone().text();
  await cache.put(bare(url), answer);
  await Promise.all([...new Set(html.match(PART) ?? [])].map((each) => part(each).catch(() => null)));
}

async function fetchPage(url: string): Promise<void> {
  const answer = await fetch(url).catch(() => null);
  if (answer && answer.status < 500) await remember(url, answer);
}

async function keepAll(pages: readonly string[]): Promise<void> {
  const wanted = new Set(pages.map((each) => bare(new URL(each, worker.location.origin).href)));
  await forget(await caches.open(PAGES), wanted);
  for (const url of wanted) await fetchPage(url);
  for (const { url } of await (await caches.open(SHOWN)).keys()) await stillShown(url);
}

async function renew(task: string, hurt: boolean): Promise<void> {
  const cache = await caches.open(PAGES);
  const old = (await cache.keys()).map(({ url }) => url).filter((url) => [LINK, `${LINK}/task/${task}`].includes(new URL(url).pathname));
  // Should the network go this very moment: no page at all rather than one on which the task is open.
  if (hurt) await Promise.all(old.map((url) => cache.delete(url)));
  for (const url of old) await fetchPage(url);
}

/**
 * A clip or picture that was looked at is there without network, too, if it fits. What a file of one name holds never changes; that it
 * was taken away meanwhile is asked beside.
 */
async function shown(event: WorkerEvent): Promise<Response> {
  const { url } = event.request;
  const cache = await caches.open(SHOWN);
  const kept = await cache.match(url);
  if (kept) {
    event.waitUntil(stillShown(url));
    return kept;
  }
  const answer = await fetch(event.request);
  if (answer.status === 200 && (await fits(Number(answer.headers.get('content-length') ?? NaN))))
    event.waitUntil(cache.put(url, answer.clone()));
  return answer;
}

/** Forgets what this family is not shown any more. */
async function stillShown(url: string): Promise<void> {
  const answer = await fetch(url, { method: 'HEAD' }).catch(() => null);
  if (answer && answer.status >= 400 && answer.status < 500) await (await caches.open(SHOWN)).delete(url);
}

/** A video may take a tenth of the phone's quota at most: pages and waiting reports come first. */
async function fits(bytes: number): Promise<boolean> {
  const { quota = 0, usage = 0 } = (await (navigator as Navigator).storage?.estimate?.()) ?? {};
  return bytes <= (quota - usage) / 10;
}

async function forget(cache: Cache, wanted: ReadonlySet<string>): Promise<void> {
  for (const request of await cache.keys()) if (!wanted.has(request.url)) await cache.delete(request);
}

async function part(url: string): Promise<Response> {
  const cache = await caches.open(PARTS);
  const kept = await cache.match(url);
  if (kept) return kept;
  const answer = await fetch(url);
  if (!answer.ok) return answer;
  await cache.put(url, answer.clone());
  // A sheet names its letters: they are asked for where it is read.
  if (url.endsWith('.css'))
    await Promise.all(
      [...new Set((await answer.clone().text()).match(/[\w-]+\.woff2/g) ?? [])].map((name) => part(`/f/made/${name}`).catch(() => null)),
    );
  const all = await cache.keys();
  for (const old of all.slice(0, Math.max(0, all.length - MOST_PARTS))) await cache.delete(old);
  return answer;
}
