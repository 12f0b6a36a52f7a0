const WORKER = '/f/worker.js';
const ANSWER_MILLISECONDS = 1000;
const stampKey = (link: string) => `yard-kept:${link}`;

/**
 * Returns a worker for each link, so that nothing of one child is shown for another; null in a browser without workers, or on an
 * insecure address.
 */
async function workerOf(link: string): Promise<ServiceWorkerRegistration | null> {
  if (!('serviceWorker' in navigator)) return null;
  try {
    // An earlier page of ours had one worker for all links.
    const all = await navigator.serviceWorker.getRegistrations();
    await Promise.all(all.filter(({ scope }) => scope.endsWith('/f/')).map((old) => old.unregister()));
    const registration = await navigator.serviceWorker.register(WORKER, { scope: link });
    await navigator.serviceWorker.ready;
    return registration;
  } catch {
    return null;
  }
}

/** Has pages of a link kept for the time without network: once for each stamp, since a phone pays for every page. */
export async function keepPages(link: string, pages: readonly string[], stamp: string): Promise<void> {
  const registration = await workerOf(link);
  if (!registration?.active || savesData() || stampOf(link) === stamp || !navigator.onLine) return;
  registration.active.postMessage({ kind: 'keep', link, pages });
  storeStamp(link, stamp);
}

/** A report went out: what is kept of its task and of the day is fetched anew; where it hurt, the old is not shown once more. */
export function renewPages(link: string, task: string, hurt: boolean): void {
  navigator.serviceWorker?.controller?.postMessage({ kind: 'renew', link, task, hurt });
}

/** Has the browser send what waits once there is a network, also after the page was closed; where it can. */
export async function sendLater(link: string): Promise<void> {
  const registration = (await workerOf(link)) as (ServiceWorkerRegistration & { sync?: { register(tag: string): Promise<void> } }) | null;
  await registration?.sync?.register('outbox').catch(() => undefined);
}

/** When the page that is shown was made, where it is a kept one; null where it came fresh. */
export function whenKept(): Promise<Date | null> {
  const worker = navigator.serviceWorker?.controller;
  if (!worker) return Promise.resolve(null);
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    const giveUp = setTimeout(() => resolve(null), ANSWER_MILLISECONDS);
    port1.onmessage = ({ data }: MessageEvent<string | null>) => {
      clearTimeout(giveUp);
      resolve(data === null ? null : new Date(data));
    };
    worker.postMessage({ kind: 'wasKept' }, [port2]);
  });
}

function savesData(): boolean {
  return (navigator as { connection?: { saveData?: boolean } }).connection?.saveData === true;
}

function stampOf(link: string): string | null {
  try {
    return localStorage.getItem(stampKey(link));
  } catch {
    return null;
  }
}

function storeStamp(link: string, stamp: string): void {
  try {
    localStorage.setItem(stampKey(link), stamp);
  } catch {
    // A phone without storage has its pages kept anew each time.
  }
}
