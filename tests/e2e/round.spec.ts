import { beginAnew, childIdOf, expect, openCard, reportFirstTask, signIn, test } from './yard';

const CHILD = 'Odalys V.';

test('a reason is one digit; what was put off can be seen and taken up; the card tells why it stands here', async ({ page, request }) => {
  await beginAnew(CHILD);
  await reportFirstTask(request, CHILD, { question: 'yes', words: 'Which tongs?' });
  await signIn(page);
  await openCard(page, `${CHILD}: question`);
  const evidence = page.getByRole('region', { name: 'Evidence' });
  await expect(evidence).toContainText('“question” weighs 700');
  await expect(evidence.getByText('you wrote')).toHaveCount(0);
  // A step up beside a question is a change: it asks why, and a digit answers.
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'I saw the child do it' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /Write to the family/ })).toBeVisible();
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Show it later' }).click();
  await expect(page.getByText(/asleep/).first()).toBeVisible();
  await page.goto('/rounds');
  await expect(page.getByRole('link', { name: `${CHILD}: question` })).toHaveCount(0);
  await page
    .getByText(/asleep/)
    .first()
    .click();
  await page.getByRole('listitem').filter({ hasText: CHILD }).getByRole('button', { name: 'take it up now' }).click();
  await expect(evidence.getByRole('heading', { name: CHILD })).toBeVisible();
  await page.keyboard.press('u');
  await page.keyboard.press('1');
  await expect(evidence.getByRole('heading', { name: CHILD })).toHaveCount(0, { timeout: 15_000 });
  await page.goto(`/children/${await childIdOf(CHILD)}`);
  await expect(page.getByLabel('Grade history')).toContainText('I saw the child do it');
});
