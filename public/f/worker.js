/**
 * Keeps a family's pages on its own phone, so that what was opened with a network can be read and done without one. Asked first
 * is always the network: a kept page is shown only where no answer comes. It touches nothing that is sent.
 *
 * Messages of a page: `keep` (fetch these pages of a link and forget its others), `renew` (a report went out: what is kept of
 * its task and of the day is no longer true), `wasKept` (answered with the time of the page that is shown, or null).
 */
const PAGES = 'yard-family-pages';
const PARTS = 'yard-family-parts';
/** Pages ask for their parts by these addresses; a part's content never changes. */
const PART = /\/_next\/static\/[^"'\\\s)]+/g;
const MOST_PARTS = 200;
const WAIT_MILLISECONDS = 6000;
const LINK = /^\/f\/[^/]+/;

/** By client: when the page that it shows was made, where that was a kept one. */
const shownKept = new Map();

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const address = new URL(request.url);
  if (request.method !== 'GET' || address.origin !== self.location.origin) return;
  if (address.pathname.startsWith('/_next/static/')) event.respondWith(part(request.url));
  else if (request.mode === 'navigate') event.respondWith(page(event));
});

self.addEventListener('message', (event) => {
  const { kind, link, pages, task, hurt } = event.data;
  if (kind === 'wasKept') event.ports[0].postMessage(shownKept.get(event.source.id) ?? null);
  if (kind === 'keep') event.waitUntil(keepAll(link, pages));
  if (kind === 'renew') event.waitUntil(renew(link, task, hurt));
});

async function page({ request, resultingClientId }) {
  const kept = await keptFor(request.url);
  const late = kept && new Promise((resolve) => setTimeout(resolve, WAIT_MILLISECONDS, null));
  const answer = await Promise.race([fetch(request).catch(() => null), late].filter(Boolean));
  if (answer && answer.status < 500) {
    await remember(request.url, answer.clone());
    return answer;
  }
  if (!kept) return answer ?? Response.error();
  shownKept.set(resultingClientId, kept.headers.get('date'));
  return kept;
}

/** The page kept for an address; where that was never kept (another language, say), the same one as it is opened from the day. */
async function keptFor(url) {
  const cache = await caches.open(PAGES);
  const { pathname } = new URL(url);
  const same = (await cache.keys()).map((each) => new URL(each.url)).filter((each) => each.pathname === pathname);
  const near = same.find(({ searchParams }) => !searchParams.has('step')) ?? same[0];
  return (await cache.match(bare(url))) ?? (near ? await cache.match(near.href) : null) ?? null;
}

/** What was said of the last sending belongs to no page that is shown again. */
function bare(url) {
  const address = new URL(url);
  address.searchParams.delete('said');
  address.hash = '';
  return address.href;
}

async function remember(url, answer) {
  const cache = await caches.open(PAGES);
  const link = LINK.exec(new URL(url).pathname)?.[0];
  // A link that was closed shows nothing more, with or without network.
  if (answer.status >= 400) return link && forget(cache, link, new Set());
  // The plan has gone on: this page leads to the day now.
  if (!answer.ok || answer.redirected) return cache.delete(bare(url));
  const html = await answer.clone().text();
  await cache.put(bare(url), answer);
  await Promise.all([...new Set(html.match(PART) ?? [])].map((each) => part(each).catch(() => null)));
}

async function fetchPage(url) {
  const answer = await fetch(url).catch(() => null);
  if (answer && answer.status < 500) await remember(url, answer);
}

async function keepAll(link, pages) {
  const wanted = new Set(pages.map((each) => bare(new URL(each, self.location.origin))));
  await forget(await caches.open(PAGES), link, wanted);
  for (const url of wanted) await fetchPage(url);
}

async function renew(link, task, hurt) {
  const cache = await caches.open(PAGES);
  const old = (await cache.keys()).map(({ url }) => url).filter((url) => [link, `${link}/task/${task}`].includes(new URL(url).pathname));
  // Should the network go this very moment: no page at all rather than one on which the task is open.
  if (hurt) await Promise.all(old.map((url) => cache.delete(url)));
  for (const url of old) await fetchPage(url);
}

async function forget(cache, link, wanted) {
  for (const request of await cache.keys()) {
    if (LINK.exec(new URL(request.url).pathname)?.[0] === link && !wanted.has(request.url)) await cache.delete(request);
  }
}

async function part(url) {
  const cache = await caches.open(PARTS);
  const kept = await cache.match(url);
  if (kept) return kept;
  const answer = await fetch(url);
  if (!answer.ok) return answer;
  await cache.put(url, answer.clone());
  const all = await cache.keys();
  for (const old of all.slice(0, Math.max(0, all.length - MOST_PARTS))) await cache.delete(old);
  return answer;
}
