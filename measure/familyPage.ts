import { chromium, type Browser, type CDPSession, type Locator } from '@playwright/test';
import { median } from './timing';
import { chromiumPath } from '../scripts/systemPackages';

export interface PageFigures {
  readonly page: string;
  readonly requests: number;
  readonly kilobytes: number;
  /** The page and its style sheets: with these it can be used. */
  readonly usableKilobytes: number;
  /** On a slow line and a slow phone, from the tap on the link till it can be used; with scripts, till they run. */
  readonly usableSeconds: number;
  /** How much of the page moved under the reader's eyes. */
  readonly shift: number;
}

/** A slow third-generation line, and a processor six times slower. */
const SLOW_LINE = { offline: false, latency: 400, downloadThroughput: 50_000, uploadThroughput: 50_000 };
const SLOWER = 6;
const TIMES = 5;
const BROWSER_FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'];

/** Measures the bytes that a phone loads, compressed as they travel, with an empty cache. */
export async function measureFamilyPages(link: string, versionTaskId: number): Promise<PageFigures[]> {
  const browser = await chromium.launch({
    executablePath: chromiumPath()!,
    args: BROWSER_FLAGS,
  });
  const figures: PageFigures[] = [];
  for (const scripts of [false, true]) {
    for (const [name, address] of [
      ['today', link],
      ['a task', `${link}/task/${versionTaskId}`],
      ['a task in Arabic', `${link}/task/${versionTaskId}?lang=ar`],
    ] as const) {
      const context = await browser.newContext({ javaScriptEnabled: scripts, viewport: { width: 390, height: 844 } });
      const page = await context.newPage();
      const session = await context.newCDPSession(page);
      await session.send('Network.enable');
      const kinds = new Map<string, string>();
      const bytes = new Map<string, number>();
      session.on('Network.responseReceived', (event) => kinds.set(event.requestId, event.type));
      session.on('Network.loadingFinished', (event) => bytes.set(event.requestId, event.encodedDataLength));
      await page.goto(address, { waitUntil: 'networkidle' });
      const sum = (wanted: (kind: string) => boolean) =>
        [...bytes].reduce((total, [id, size]) => total + (wanted(kinds.get(id) ?? '') ? size : 0), 0) / 1024;
      figures.push({
        page: `${name}, scripts ${scripts ? 'on' : 'off'}`,
        requests: bytes.size,
        kilobytes: sum(() => true),
        usableKilobytes: sum((kind) => kind === 'Document' || kind === 'Stylesheet'),
        ...(await onASlowPhone(browser, address, scripts)),
      });
      await context.close();
    }
  }
  await browser.close();
  return figures;
}

async function onASlowPhone(browser: Browser, address: string, scripts: boolean): Promise<Pick<PageFigures, 'usableSeconds' | 'shift'>> {
  const seconds: number[] = [];
  const shifts: number[] = [];
  for (let time = 0; time < TIMES; time += 1) {
    const context = await browser.newContext({ javaScriptEnabled: scripts, viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await slowDown(await context.newCDPSession(page));
    const began = performance.now();
    await page.goto(address, { waitUntil: 'commit' });
    await page.locator(scripts ? 'html.scripted main' : 'main').waitFor();
    seconds.push((performance.now() - began) / 1000);
    await page.waitForLoadState('networkidle');
    shifts.push(scripts ? await page.evaluate(shiftOf) : 0);
    await context.close();
  }
  return { usableSeconds: median(seconds), shift: median(shifts) };
}

export interface FirstReportFigures {
  readonly taps: number;
  /** From the tap on the link till the report is said to be saved, a tap each 0.4 s, with no time to read. */
  readonly seconds: number;
}

const TAP_MILLISECONDS = 400;

/** A first report by touch on the same slow line and phone: the day, a task, all of it done, help, how it felt, sent. */
export async function measureFirstReport(link: string): Promise<FirstReportFigures> {
  const browser = await chromium.launch({ executablePath: chromiumPath()!, args: BROWSER_FLAGS });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await slowDown(await context.newCDPSession(page));
  const began = performance.now();
  await page.goto(link, { waitUntil: 'commit' });
  let taps = 0;
  const tap = async (target: Locator) => {
    await page.waitForTimeout(TAP_MILLISECONDS);
    await target.tap();
    taps += 1;
  };
  const shown = page.locator('.screen.shown');
  await tap(page.locator('ol li:has(.text-green) a').first());
  await page.locator('html.scripted main').waitFor();
  await tap(shown.locator('.onward .press-main'));
  await tap(shown.locator('.onward .press-main'));
  await tap(shown.locator('.pad-smalls button').nth(1));
  await tap(shown.locator('.onward .press-main'));
  await tap(shown.locator('label:has(input[name=help])').nth(1));
  await tap(shown.locator('label:has(input[name=effort])').nth(1));
  await tap(shown.locator('button[name=done]'));
  await page.locator('#saved.shown [data-said]:not(:empty)').waitFor();
  const seconds = (performance.now() - began) / 1000;
  await browser.close();
  return { taps, seconds };
}

async function slowDown(session: CDPSession): Promise<void> {
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', SLOW_LINE);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
}

function shiftOf(): Promise<number> {
  return new Promise((resolve) => {
    new PerformanceObserver((list) => {
      resolve(list.getEntries().reduce((sum, entry) => sum + (entry as PerformanceEntry & { value: number }).value, 0));
    }).observe({ type: 'layout-shift', buffered: true });
    setTimeout(resolve, 500, 0);
  });
}
