/**
 * Keeps the trial sheet of a school visit on the device of who opened it, so that it opens where there is no network. Asked first is always the network; a kept
 * sheet is shown only where no answer comes, and only on the day on which it was opened.
 */
interface SheetWorker {
  readonly location: Location;
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  addEventListener(kind: string, listener: (event: SheetEvent) => void): void;
}
interface SheetEvent {
  readonly request: Request;
  readonly data: { readonly kind: string; readonly page: string; readonly parts: readonly string[] };
  waitUntil(work: Promise<unknown>): void;
  respondWith(answer: Promise<Response>): void;
}
const worker = self as unknown as SheetWorker;

const PAGES = 'yard-visit-pages';
const PARTS = 'yard-visit-parts';
const WAIT_MILLISECONDS = 5000;
const MOST_HOURS = 14;
const MOST_PARTS = 150;

worker.addEventListener('install', () => void worker.skipWaiting());
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));
worker.addEventListener('message', (event) => {
  const { kind, page, parts } = event.data;
  if (kind === 'keep') event.waitUntil(Promise.all([fetchPage(page), ...parts.filter(isPart).map((url) => part(url).catch(() => null))]));
});
worker.addEventListener('fetch', (event) => {
  const { request } = event;
  if (request.method !== 'GET') return;
  if (isPart(request.url)) event.respondWith(part(request.url));
  else if (request.mode === 'navigate') event.respondWith(page(request));
});

/** Files of a build are named by their content, and never change. */
function isPart(url: string): boolean {
  const { origin, pathname } = new URL(url);
  return origin === worker.location.origin && pathname.startsWith('/_next/static/');
}

async function part(url: string): Promise<Response> {
  const cache = await caches.open(PARTS);
  const kept = await cache.match(url);
  if (kept) return kept;
  const answer = await fetch(url);
  if (answer.ok) {
    await cache.put(url, answer.clone());
    const all = await cache.keys();
    for (const old of all.slice(0, Math.max(0, all.length - MOST_PARTS))) await cache.delete(old);
  }
  return answer;
}

async function page(request: Request): Promise<Response> {
  const kept = await keptFor(request.url);
  const late = new Promise<null>((resolve) => {
    if (kept) setTimeout(resolve, WAIT_MILLISECONDS, null);
  });
  const answer = await Promise.race([fetch(request).catch(() => null), late]);
  if (answer && answer.status < 500) {
    await remember(request.url, answer.clone());
    return answer;
  }
  return kept ?? answer ?? Response.error();
}

async function keptFor(url: string): Promise<Response | null> {
  const cache = await caches.open(PAGES);
  const kept = await cache.match(url);
  const made = Date.parse(kept?.headers.get('date') ?? '');
  if (!kept || !(Date.now() - made < MOST_HOURS * 3_600_000)) {
    if (kept) await cache.delete(url);
    return null;
  }
  return kept;
}

async function fetchPage(url: string): Promise<void> {
  const answer = await fetch(url).catch(() => null);
  if (answer && answer.status < 500) await remember(url, answer);
}

async function remember(url: string, answer: Response): Promise<void> {
  const cache = await caches.open(PAGES);
  // Signed out, or no part in it any more: nothing of it stays.
  if (!answer.ok || answer.redirected || answer.type === 'opaqueredirect') {
    for (const each of await cache.keys()) await cache.delete(each);
    return;
  }
  await cache.put(url, answer);
}
