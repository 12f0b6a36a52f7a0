import { expect, signIn, test } from './app';

test('the lab replays the log, fits its families, runs its children on a thread of their own, and stops', async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page);
  await page.goto('/step-rules');
  const rows = page.getByRole('table').first().getByRole('row');
  await expect(rows).toHaveCount(10);
  await expect(rows.nth(2).getByRole('cell')).toHaveCount(8);
  await expect(rows.nth(2).getByRole('rowheader')).toHaveText('3 in a row');
  await page.getByRole('combobox', { name: /^students/ }).selectOption('200');
  await page.keyboard.press('r');
  const found = page.getByRole('table').nth(1);
  await expect(found.getByRole('row')).toHaveCount(6, { timeout: 60_000 });
  await expect(page.getByRole('img', { name: /^Median weeks to the top step/ })).toBeVisible();
  const first = await found.textContent();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  // The same draw gives the same figures, to the last digit; another one others.
  await page.getByRole('button', { name: /Run it/ }).click();
  await expect(found.getByRole('row')).toHaveCount(6, { timeout: 60_000 });
  expect(await found.textContent()).toBe(first);
  await page.getByLabel('Random seed').fill('2');
  await page.getByRole('button', { name: /Run it/ }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 60_000 });
  expect(await found.textContent()).not.toBe(first);
  await page.getByRole('combobox', { name: /^students/ }).selectOption('4000');
  await page.getByRole('button', { name: /Run it/ }).click();
  await page.getByRole('button', { name: 'stop' }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /Run it/ })).toBeEnabled();
  await page.getByRole('button', { name: 'Match the families in your records' }).click();
  await expect(page.getByText(/^Reached sessions: \d+% in your log, compared with 39 simulated caseloads/)).toBeVisible({
    timeout: 60_000,
  });
  await page.getByLabel(/^why, for you/).fill('It waits a little longer.');
  await page.getByRole('button', { name: 'Take this rule' }).click();
  await expect(page.getByText('You wrote: “It waits a little longer.”')).toBeVisible();
});
