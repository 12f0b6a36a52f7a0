import { ask, expect, forgetSignIns, signIn, test } from './app';

// Tests before may have ended a colleague's sign-in.
test.beforeEach(() => forgetSignIns());

test('columns are chosen, the way of looking is kept by a name, and its address shows a colleague the same', async ({ page }) => {
  await signIn(page);
  await page.goto('/caseload?search=left');
  await page.getByText('Columns', { exact: true }).click();
  await page.getByLabel('days of practice').uncheck();
  await page.getByLabel('next review').check();
  await page.getByLabel('contact').check();
  await page.getByRole('button', { name: 'Show these' }).click();
  await expect(page).toHaveURL(/search=left/);
  const heads = page.locator('.yard-table thead th');
  await expect(heads).toHaveText(['Student', 'current steps', 'share of target', 'practiced', 'last report', 'next review', 'contact']);
  await expect(page.locator('[data-row]').first()).toContainText(/text|mother|father|aunt|grandfather/);
  const shown = await page.locator('[data-row] .of-child a').allTextContents();
  await page.getByText('Save this view').click();
  await page.getByLabel('Name').fill('Left, for the reviews');
  await page.keyboard.press('Enter');
  const kept = page.getByRole('link', { name: 'Left, for the reviews' });
  await expect(kept).toBeVisible();
  await page.goto('/caseload');
  await kept.click();
  await expect(heads).toHaveCount(7);
  expect(await page.locator('[data-row] .of-child a').allTextContents()).toEqual(shown);
  const address = page.url();
  // A colleague sees by the same address the children that are theirs, and none of the names that others keep.
  await signIn(page, 'supervisor');
  await page.goto(address);
  await expect(heads).toHaveCount(7);
  await expect(page.getByRole('link', { name: 'Left, for the reviews' })).toHaveCount(0);
  await signIn(page);
  await page.goto('/caseload');
  await page.getByText('Save this view').click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(kept).toHaveCount(0);
});

test('of hundreds of rows those in sight are drawn, the keys reach the last, and paper has all of them', async ({ page }) => {
  const columns = (
    await ask<{ name: string }>(
      `SELECT column_name AS name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = 'children' AND column_name NOT IN ('id', 'called_name') AND extra NOT LIKE '%GENERATED%'`,
    )
  )
    .map(({ name }) => name)
    .join(', ');
  const [{ id: supervisor }] = (await ask<{ id: number }>(`SELECT id FROM people WHERE role = 'supervisor' LIMIT 1`)) as [{ id: number }];
  const names = Array.from({ length: 150 }, (_, index) => `Zz ${String(index).padStart(3, '0')}`);
  for (const name of names)
    await ask(`INSERT INTO children (called_name, ${columns}) SELECT ?, ${columns} FROM children ORDER BY id LIMIT 1`, [name]);
  await ask(`INSERT INTO child_access (child_id, person_id, access) SELECT id, ?, 'shared' FROM children WHERE called_name LIKE 'Zz%'`, [
    supervisor,
  ]);
  try {
    await signIn(page, 'supervisor');
    await page.goto('/caseload?group=none');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('156 students');
    const rows = page.locator('[data-row]');
    expect(await rows.count()).toBeLessThan(100);
    await expect(page.getByRole('table')).toHaveAttribute('aria-rowcount', '157');
    await page.keyboard.press('End');
    await expect(page.getByRole('link', { name: 'Zz 149' })).toBeVisible();
    expect(await rows.count()).toBeLessThan(100);
    // Down by the arrow alone, past what was drawn first.
    await page.keyboard.press('Home');
    await expect(page.getByRole('link', { name: 'Zz 000' })).toBeVisible();
    for (let press = 0; press < 90; press += 1) await page.keyboard.press('ArrowDown');
    await expect(page.locator('[data-row] a:focus')).toHaveText(/Zz 0[5-9]\d/);
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    await expect(rows).toHaveCount(156);
  } finally {
    await ask(`DELETE FROM children WHERE called_name LIKE 'Zz%'`);
  }
});
