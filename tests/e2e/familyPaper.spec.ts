import { beginAnew, expect, linkOf, openTask, test } from './app';

test('the day prints as a page for the fridge: a box a task and day, and nothing to press', async ({ page }) => {
  await beginAnew('Odalys V.');
  await page.goto(`${linkOf('Odalys V.')}?lang=en`);
  await expect(page.locator('.fridge')).toBeHidden();
  await page.emulateMedia({ media: 'print' });
  const fridge = page.getByRole('table');
  await expect(fridge.getByRole('columnheader')).toHaveCount(8);
  const rows = fridge.getByRole('rowheader');
  expect(await rows.count()).toBeGreaterThan(1);
  // A program that begins anew asks for each task on each day.
  await expect(fridge.locator('.cross-off')).toHaveCount(7 * (await rows.count()));
  await expect(page.locator('button, .press, summary, input').filter({ visible: true })).toHaveCount(0);
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgba(0, 0, 0, 0)');
  await page.emulateMedia({ media: 'screen' });
  await openTask(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('What you need')).toBeVisible();
  await expect(page.locator('button, .press, summary, input').filter({ visible: true })).toHaveCount(0);
});

test('letters twice as large on a phone of 320: nothing goes sideways, and no word stands letter by letter', async ({ page }) => {
  await page.setViewportSize({ width: 320, height: 568 });
  await page.addInitScript(() =>
    addEventListener('DOMContentLoaded', () => {
      document.documentElement.style.fontSize = '200%';
    }),
  );
  await beginAnew('Odalys V.');
  await page.goto(`${linkOf('Odalys V.')}?lang=es`);
  const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(await sideways()).toBe(0);
  for (const title of await page.locator('ol a strong').all()) expect((await title.boundingBox())!.width).toBeGreaterThan(130);
  await openTask(page);
  for (const screen of ['ready', 'look', 'do', 'how']) {
    await page.goto(`${page.url().replace(/#.*/, '')}#${screen}`);
    await expect(page.locator(`#${screen}`)).toBeVisible();
    expect(await sideways()).toBe(0);
  }
});
