import { ask, beginAnew, childIdOf, expect, openCard, reportFirstTask, signIn, test } from './app';

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
  await expect(page.getByRole('button', { name: 'I saw the student do it' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /Write to the family/ })).toBeVisible();
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Snooze' }).click();
  // Others may sleep already: this one does once its card is gone.
  await expect(evidence.getByRole('heading', { name: CHILD })).toHaveCount(0, { timeout: 15_000 });
  await expect(page.getByText(/snoozed until/).first()).toBeVisible();
  await page.goto('/review');
  await expect(page.getByRole('link', { name: `${CHILD}: question` })).toHaveCount(0);
  await page
    .getByText(/snoozed until/)
    .first()
    .click();
  await page.getByRole('listitem').filter({ hasText: CHILD }).getByRole('button', { name: 'Open it now' }).click();
  await expect(evidence.getByRole('heading', { name: CHILD })).toBeVisible();
  await page.keyboard.press('u');
  await page.keyboard.press('1');
  await expect(evidence.getByRole('heading', { name: CHILD })).toHaveCount(0, { timeout: 15_000 });
  await page.goto(`/students/${await childIdOf(CHILD)}`);
  await expect(page.getByLabel('Step history')).toContainText('I saw the student do it');
});

test('a round of forty cards goes by keys alone: one key settles a card, and the end says what is left', async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page);
  await page.goto('/review');
  const counts = page.getByText(/\d+ done today, \d+ open/);
  const told = async () =>
    /(\d+) done today, (\d+) open/
      .exec((await counts.textContent())!)!
      .slice(1)
      .map(Number) as [number, number];
  const here = () => page.locator('[data-decision]').getAttribute('data-decision');
  // The demo’s round, made up to forty by questions of families that have asked none.
  const lacking = Math.max(0, 45 - (await told())[1]);
  await ask(
    `UPDATE reports r JOIN (SELECT MAX(id) AS id FROM reports WHERE danger IS NULL GROUP BY child_id HAVING SUM(awaits_reader IS NOT NULL) = 0 LIMIT ?) l ON l.id = r.id
     SET r.is_question = 1, r.words = IF(r.words = '', 'Which tongs?', r.words), r.read_by = NULL, r.read_at = NULL`,
    [lacking],
  );
  await page.reload();
  const [before, open] = await told();
  expect(open).toBeGreaterThanOrEqual(40);
  const stops = new Set<string>();
  for (let seen = 0; seen < open * 2 && (await told())[1] > stops.size; seen += 1) {
    const key = (await here())!;
    const first = page.getByRole('complementary').locator('[data-key]').first();
    const letter = (await first.getAttribute('data-key'))!;
    // While an answer is under way, no key is taken.
    await expect(first).toBeEnabled();
    if (stops.has(key)) {
      await page.keyboard.press('ArrowRight');
    } else if (await page.getByRole('button', { name: /Reopen the task/ }).isVisible()) {
      // Read, it stays open for who leads the child; the round goes on by itself where there is another card.
      stops.add(key);
      await page.keyboard.press(letter);
      await expect.poll(async () => (await here()) !== key || (await first.isEnabled())).toBe(true);
    } else {
      await page.keyboard.press(letter);
      // What is done about silence is told once more before it is done.
      const asksOnce = page.getByRole('button', { name: 'Go back' });
      await expect.poll(async () => (await asksOnce.isVisible()) || (await here()) !== key).toBe(true);
      if (await asksOnce.isVisible()) {
        if ((await page.locator('textarea:focus').count()) > 0) await page.keyboard.type('Nana: all is well');
        await page.keyboard.press('Control+Enter');
      }
    }
    // The next card, or, where only what stays open is left, the end.
    await expect
      .poll(async () => (await here()) !== key || (await told())[1] === stops.size, {
        message: `after ${letter} on ${key}`,
        timeout: 15_000,
      })
      .toBe(true);
  }
  const [settled, left] = await told();
  expect(left).toBe(stops.size);
  expect(settled - before).toBe(open - stops.size);
});
