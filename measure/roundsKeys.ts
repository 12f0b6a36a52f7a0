import { chromium, type Page } from '@playwright/test';
import { chromiumPath } from '../scripts/systemPackages';
import { median, percentile } from './timing';

export interface KeyFigures {
  readonly what: string;
  readonly median: number;
  readonly p95: number;
}

const PRESSES = 20;

/** From a key's press in the browser to the next card drawn: going on, and settling a decision and taking it back in turn. */
export async function measureReviewKeys(url: string, cookie: string): Promise<KeyFigures[]> {
  const browser = await chromium.launch({
    executablePath: chromiumPath()!,
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
  });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const [name, value] = cookie.split('=') as [string, string];
    await context.addCookies([{ name, value, url }]);
    const page = await context.newPage();
    await page.goto(`${url}/review`, { waitUntil: 'networkidle' });
    const on: number[] = [];
    const settle: number[] = [];
    for (let press = 0; press < PRESSES; press += 1) on.push(await millisecondsOf(page, 'ArrowRight'));
    for (let press = 0; press < PRESSES; press += 1) {
      settle.push(await millisecondsOf(page, await followingKey(page)));
      await millisecondsOf(page, 'z');
    }
    return [
      { what: 'next card', median: median(on), p95: percentile(on, 0.95) },
      { what: 'decision settled, next card', median: median(settle), p95: percentile(settle, 0.95) },
    ];
  } finally {
    await browser.close();
  }
}

/** The key that follows the suggestion, which asks for no reason; goes on to a card that has one. */
async function followingKey(page: Page): Promise<string> {
  const act = page.locator('[data-decision] li form [data-key]').first();
  while ((await act.count()) === 0) await millisecondsOf(page, 'ArrowRight');
  return (await act.getAttribute('data-key'))!;
}

const QUIET_MILLISECONDS = 600;

/** Waits till nothing more has come for a moment: a therapist reads a card before she presses the next key. */
async function read(page: Page): Promise<void> {
  let last = performance.now();
  const note = () => (last = performance.now());
  page.on('request', note).on('response', note);
  while (performance.now() - last < QUIET_MILLISECONDS) await page.waitForTimeout(50);
  page.off('request', note).off('response', note);
}

async function millisecondsOf(page: Page, key: string): Promise<number> {
  await read(page);
  return page.evaluate(
    (pressed) =>
      new Promise<number>((resolve) => {
        const before = document.querySelector('[data-decision]')?.getAttribute('data-decision');
        const start = performance.now();
        const watcher = new MutationObserver(() => {
          if (document.querySelector('[data-decision]')?.getAttribute('data-decision') === before) return;
          watcher.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        });
        watcher.observe(document.body, { subtree: true, childList: true, attributes: true });
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }));
      }),
    key,
  );
}
