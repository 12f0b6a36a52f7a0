const WORKER = '/f/worker.js';
const ANSWER_MILLISECONDS = 1000;
const stampKey = (link: string) => `yard-kept:${link}`;

/** The worker that keeps pages on the phone; null in a browser without one, or where the address is not a secure one. */
async function workerOf(): Promise<ServiceWorker | null> {
  if (!('serviceWorker' in navigator)) return null;
  try {
    await navigator.serviceWorker.register(WORKER);
    return (await navigator.serviceWorker.ready).active;
  } catch {
    return null;
  }
}

/** Has pages of a link kept for the time without network: once for each stamp, since a phone pays for every page. */
export async function keepPages(link: string, pages: readonly string[], stamp: string): Promise<void> {
  const worker = await workerOf();
  if (!worker || savesData() || stampOf(link) === stamp || !navigator.onLine) return;
  worker.postMessage({ kind: 'keep', link, pages });
  storeStamp(link, stamp);
}

/** A report went out: what is kept of its task and of the day is fetched anew; where it hurt, the old is not shown once more. */
export function renewPages(address: string, task: string, hurt: boolean): void {
  navigator.serviceWorker?.controller?.postMessage({ kind: 'renew', link: address.replace(/\/report$/, ''), task, hurt });
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
