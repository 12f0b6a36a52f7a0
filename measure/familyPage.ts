import { chromium } from '@playwright/test';
import { chromiumPath } from '../scripts/systemPackages';

export interface PageFigures {
  readonly page: string;
  readonly requests: number;
  readonly kilobytes: number;
  /** The page and its style sheets: with these it can be used. */
  readonly usableKilobytes: number;
}

/** What a phone loads, compressed as it travels, with an empty cache. */
export async function measureFamilyPages(link: string, versionTaskId: number): Promise<PageFigures[]> {
  const browser = await chromium.launch({
    executablePath: chromiumPath()!,
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
  });
  const figures: PageFigures[] = [];
  for (const scripts of [false, true]) {
    for (const [name, address] of [
      ['today', link],
      ['a task', `${link}/task/${versionTaskId}`],
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
      });
      await context.close();
    }
  }
  await browser.close();
  return figures;
}
