import { expect, test, beginAnew, linkOf, openTask, reportCount, sendReport, served, toCount } from './yard';

test.use({ viewport: { width: 390, height: 844 } });

test.describe('pages kept on the phone', () => {
  // Other tests live without the worker, so that nothing of it hides a fault of the server.
  test.use({ serviceWorkers: 'allow' });

  const keptPages = async () => {
    const place = `yard-pages:${location.pathname.split('/').slice(0, 3).join('/')}`;
    return (await (await caches.open(place)).keys()).length;
  };

  test('without network: reload, back to today, another task and its easier step; the report goes out later', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    const tasks = page.getByRole('listitem').getByRole('link', { name: /Start/ });
    const count = await tasks.count();
    expect(count).toBeGreaterThan(1);
    // The day, and each task with the steps that may be swapped to.
    await expect.poll(() => page.evaluate(keptPages)).toBe(1 + count);
    await expect(page.getByText('There is no network.')).toHaveCount(0);

    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText('There is no network. This page is as it was on')).toBeVisible();
    for (const index of [0, 1]) {
      const title = await tasks.nth(index).locator('strong').textContent();
      await tasks.nth(index).click();
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(title!);
      await expect(page).toHaveTitle(`${title} · Yard Steps`);
      await toCount(page);
      await page.getByRole('link', { name: 'Too hard' }).click();
      await expect(page.getByText('You are on step 2 now.')).toBeVisible();
      await page.getByRole('link', { name: 'Back to today' }).click();
    }
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('3');
    await sendReport(page);
    await expect(page.getByText('It is kept on this phone').first()).toBeVisible();
    const before = await reportCount('Silas Y.');
    await context.setOffline(false);
    await page.goto(linkOf('Silas Y.'));
    await expect.poll(() => reportCount('Silas Y.')).toBe(before + 1);
    await page.goto(linkOf('Silas Y.'));
    await expect(page.getByText('There is no network.')).toHaveCount(0);
  });

  test('a task that hurt stays closed on the phone when the network goes after it was told', async ({ page, context }) => {
    await beginAnew('Greta J.');
    await page.goto(`${linkOf('Greta J.')}?lang=en`);
    await expect.poll(() => page.evaluate(keptPages)).toBeGreaterThan(1);
    await openTask(page);
    await page.getByRole('link', { name: 'Something hurt' }).click();
    await expect(page.getByText('This task is closed now.')).toBeVisible();
    const before = new URL(page.url()).pathname;
    const isClosed = async (path: string) => {
      const cache = await caches.open(`yard-pages:${path.split('/').slice(0, 3).join('/')}`);
      const pages = (await cache.keys()).filter(({ url }) => new URL(url).pathname === path);
      const all = await Promise.all(pages.map(async (each) => (await cache.match(each))!.text()));
      return all.length > 0 && all.every((html) => !html.includes('Done: send it'));
    };
    await expect.poll(() => page.evaluate(isClosed, before)).toBe(true);
    await context.setOffline(true);
    await page.goto(`${served().url}${before}?lang=en&step=2`);
    await expect(page.getByRole('heading', { name: / is closed/ })).toBeVisible();
    await expect(page.locator('input[inputmode=numeric]')).toHaveCount(0);
  });
});

test.describe('scripts that fail', () => {
  for (const [what, breakIt] of [
    ['an old browser without URL', () => Reflect.deleteProperty(window, 'URL')],
    ['a fault while the form is made ready', () => Reflect.deleteProperty(Element.prototype, 'querySelectorAll')],
  ] as const) {
    test(`${what}: the plain form stands and sends`, async ({ page }) => {
      await beginAnew('Juniper S.');
      await page.addInitScript(breakIt);
      await page.goto(`${linkOf('Juniper S.')}?lang=es`);
      await openTask(page);
      await expect(page.locator('html')).toHaveAttribute('lang', 'es');
      await page.locator('input[inputmode=numeric]').first().fill('2');
      await sendReport(page);
      await expect(page.getByText('Gracias. Está guardado.')).toBeVisible();
      expect(await reportCount('Juniper S.')).toBe(1);
    });
  }
});
