import { childIdOf, expect, signIn, test } from './app';

test('a measurement is written down at school; what is refused loses no word', async ({ page }) => {
  const childId = await childIdOf('Bram T.');
  await signIn(page);
  await page.goto(`/students/${childId}`);
  await page.keyboard.press('m');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('measured at school');
  await page.getByLabel('Successful trials').fill('7');
  await page.getByLabel('out of').fill('5');
  await page.getByLabel('Note').fill('three fingers, both lids');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('More successes than trials')).toBeVisible();
  await expect(page.getByLabel('Note')).toHaveValue('three fingers, both lids');
  await page.getByLabel('Successful trials').fill('4');
  await page.getByRole('button', { name: 'Save' }).click();
  const row = page.getByRole('row').filter({ hasText: 'three fingers, both lids' });
  await expect(row).toContainText('4 of 5');
  await expect(page.getByLabel('Note')).toHaveValue('');
  await row.getByRole('button', { name: /Withdraw/ }).click();
  await expect(row).toHaveCount(0);
});
