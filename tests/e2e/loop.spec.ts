import { type Page } from '@playwright/test';
import {
  expect,
  test,
  ask,
  beginAnew,
  dayBefore,
  linkOf,
  newestLink,
  openCard,
  reportFirstTask,
  sendReport,
  signIn,
  newPage,
  toCount,
  toHow,
} from './app';

const CHILD = 'Yara S.';

async function reportReached(family: Page, link: string, daysAgo: number): Promise<void> {
  await family.goto(`${link}?lang=en`);
  await family.getByRole('link', { name: /Pocket the washers/ }).click();
  await toCount(family);
  await family.getByLabel(/Left hand/).fill('5');
  await family.getByLabel(/Right hand/).fill('5');
  await toHow(family);
  await family.getByText('No help').click();
  await family.getByText('Just right').click();
  await family
    .getByText(/^(Anything else|¿Algo más)\?$/)
    .first()
    .click();
  await family.getByLabel(/When was it/).fill(dayBefore(daysAgo));
  await sendReport(family);
  await expect(family.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Thank you. It is saved.');
}

test('the whole loop in the browser: plan, send, do, report, decide, regrade, undo', async ({ page, browser }) => {
  test.setTimeout(120_000);
  await signIn(page);
  const childId = await beginAnew(CHILD);

  // Plan: take everything out but what is placed anew, choose step and dose.
  await page.goto(`/students/${childId}/program`);
  const version = Number((await page.getByText(/continues from version \d+/).textContent())!.match(/version (\d+)/)![1]);
  while ((await page.getByRole('button', { name: 'Remove', exact: true }).count()) > 0)
    await page.getByRole('button', { name: 'Remove', exact: true }).first().click();
  await expect(page.getByText('No tasks yet.')).toBeVisible();
  await expect(page.getByRole('button', { name: /Send as version/ })).toBeDisabled();
  await page.getByRole('button', { name: /Pocket the washers/ }).click();
  const row = page.getByRole('article', { name: 'Pocket the washers' });
  await row.getByLabel('Today’s step').selectOption('4');
  await expect(row).toContainText('5 each hand × 2 hands = 10 reps a day × 5 days = 50 a week');
  for (const day of ['Saturday', 'Sunday']) await row.getByRole('button', { name: day }).click();
  await row.getByLabel('rounds').fill('2');
  await expect(row).toContainText('5 each hand × 2 hands × 2 rounds = 20 reps a day × 7 days = 140 a week');
  await row.getByLabel('rounds').fill('1');
  await row.getByLabel('Up to').selectOption('3');
  await expect(row).toContainText('Today’s step is not among those that the family may choose.');
  await row.getByLabel('Up to').selectOption('5');
  await expect(page.getByText('draft saved')).toBeVisible();

  // What is being worked on survives a reload.
  await page.reload();
  await row.getByRole('button', { name: 'Pocket the washers', exact: true }).click();
  await expect(row.getByLabel('Today’s step')).toHaveValue('4');

  // Send: cautions are read first; the message lies on the pretend phone.
  await expect(page.getByRole('button', { name: /Send as version/ })).toBeDisabled();
  await page.getByLabel(/I have read the/).check();
  await page.getByRole('button', { name: `Send as version ${version + 1}` }).click();
  await expect(page).toHaveURL(/\/messages\?phone=/);
  const link = await newestLink(page);

  // Do and report, as the family, on three days.
  const family = await newPage(browser, { viewport: { width: 390, height: 844 } });
  for (const daysAgo of [2, 1, 0]) {
    await reportReached(family, link!, daysAgo);
  }

  // Decide: the suggestion with its evidence; one key.
  await openCard(page, `${CHILD}: ready for a harder step`);
  await expect(page.getByRole('heading', { name: 'Step up to 5, by words' })).toBeVisible();
  await expect(page.getByLabel('Suggestion and its rule')).toContainText('Met the target in 3 sessions in a row, on 3 days');
  await expect(page.getByLabel('Suggestion and its rule')).toContainText('One grading factor changes: help: shown first → words only.');
  await expect(page.getByLabel('Evidence').locator('tbody tr')).toHaveCount(3);
  await page.keyboard.press('u');
  // In the fence, or behind the number of those that stand far off.
  const settled = `${CHILD}: ready for a harder step, done`;
  await expect(page.getByLabel('Review list').locator(`[title="${settled}"], span:text-is("${settled}")`)).toBeAttached();

  // The next version, its history, and the family's page.
  await page.goto(`/students/${childId}`);
  await expect(page.getByText(`version ${version + 2}, sent`)).toBeVisible();
  await expect(page.getByLabel('Step history')).toContainText('Pocket the washers: 4 → 5');
  await expect(page.getByLabel('Step history')).toContainText('Ines Calloway-Brandt. Met the target in 3 sessions in a row, on 3 days');
  await family.goto(`${link}?lang=en`);
  await family.getByRole('link', { name: /Pocket the washers/ }).click();
  await expect(family.getByText('keeps three counters in the palm.').first()).toBeAttached();

  // Undo with one key: the decision is open again, the step as it was, as one more version.
  await page.goto('/review');
  await page.keyboard.press('z');
  await expect(page.getByRole('heading', { name: 'Step up to 5, by words' })).toBeVisible();
  expect(
    await ask(
      'SELECT v.number, t.step FROM program_versions v JOIN programs p ON p.id = v.program_id JOIN version_tasks t ON t.program_version_id = v.id WHERE p.child_id = ? ORDER BY v.number DESC LIMIT 3',
      [childId],
    ),
  ).toEqual([
    { number: version + 3, step: 4 },
    { number: version + 2, step: 5 },
    { number: version + 1, step: 4 },
  ]);

  // Decline with a reason: it stands in the log of decisions.
  await page.keyboard.press('h');
  await expect(page.getByRole('group', { name: 'Hold at 4: why?' })).toContainText('Too few good days yet');
  await page.keyboard.press('2');
  // In the fence, or behind the number of those that stand far off.
  await expect(page.getByLabel('Review list').locator(`[title="${settled}"], span:text-is("${settled}")`)).toBeAttached();
  expect(
    await ask('SELECT answer, followed, reason FROM decisions WHERE child_id = ? AND undone_at IS NULL ORDER BY id DESC LIMIT 1', [
      childId,
    ]),
  ).toEqual([{ answer: 'hold', followed: 0, reason: 'Too few good days yet' }]);
});

test('writing to the family and putting a decision off', async ({ page, request }) => {
  await signIn(page);
  for (const child of ['Rowan G.', 'Calla I.']) {
    await beginAnew(child);
    await reportFirstTask(request, child, { question: 'yes', words: 'Is the thumb allowed to help?' });
  }
  await page.goto('/review');
  const asked = (child: string) => page.getByRole('link', { name: `${child}: question` });
  await asked('Rowan G.').click();
  await expect(page.getByLabel('Evidence').getByRole('heading', { name: /Rowan/ })).toBeVisible();
  await page.keyboard.press('w');
  await page.getByLabel('To the family').fill('Please rest the thumb for two days.');
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByRole('img', { name: 'Rowan G.: question, done' })).toBeVisible();

  await page.goto('/review');
  await asked('Calla I.').click();
  await expect(page.getByLabel('Evidence').getByRole('heading', { name: /Calla/ })).toBeVisible();
  await page.keyboard.press('l');
  await page.getByLabel('in 7 days').check();
  await page.getByRole('button', { name: 'Snooze' }).click();
  await expect(asked('Calla I.')).toHaveCount(0);

  await page.goto('/messages');
  await expect(page.getByRole('cell', { name: /There is a message from the therapist|le dejó un mensaje/ }).first()).toBeVisible();
  await expect(page.getByText('Please rest the thumb')).toHaveCount(0);
});

test('silence is met with a call, which is kept, and the card is gone till the day that was said', async ({ page }) => {
  const child = await beginAnew('Rowan G.');
  await ask('UPDATE family_links SET first_opened_at = NULL WHERE child_id = ?', [child]);
  await signIn(page);
  const card = page.getByRole('link', { name: 'Rowan G.: link never opened' });
  await openCard(page, 'Rowan G.: link never opened');
  await expect(page.getByRole('heading', { name: 'The link was never opened' })).toBeVisible();
  const keys = await page.locator('[data-key]').evaluateAll((all) => all.map((each) => each.getAttribute('data-key')));
  expect(keys.filter((key, index) => keys.indexOf(key) !== index)).toEqual([]);
  await page.keyboard.press('a');
  await page.getByLabel('Who did you reach, and what did they say?').fill('The aunt: the number is an old one.');
  await page.getByLabel('If no report comes, show it again in').selectOption('3');
  await page.getByRole('button', { name: 'I called the family' }).click();
  await expect(card).toHaveCount(0);
  expect(await ask('SELECT answer, deed, reason FROM decisions WHERE child_id = ?', [child])).toEqual([
    { answer: 'hold', deed: 'called', reason: 'The aunt: the number is an old one.' },
  ]);
});

test('a practice rests: the sheet for the bag is looked at, the rest is decided by keys, and the family reads till when', async ({
  page,
  browser,
}) => {
  const child = await beginAnew('Silas Y.');
  await ask('UPDATE family_links SET first_opened_at = NULL WHERE child_id = ?', [child]);
  await signIn(page);
  await openCard(page, 'Silas Y.: link never opened');
  await expect(page.getByRole('heading', { name: 'The link was never opened' })).toBeVisible();
  await page.keyboard.press('v');
  await expect(page.getByRole('heading', { level: 1, name: 'On paper: Silas Y.' })).toBeVisible();
  const pages = page.getByRole('article');
  expect(await pages.count()).toBeGreaterThan(1);
  await expect(pages.first()).toContainText('911');
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'The link was never opened' })).toBeVisible();

  await page.keyboard.press('u');
  const day = page.getByLabel('Practice resumes on');
  await day.fill(dayBefore(0));
  await page.getByRole('button', { name: 'Pause the practice' }).click();
  await expect(page.getByRole('alert').first()).toContainText('after today, and within 120 days');
  await day.fill(dayBefore(-10));
  // The first Escape leaves the field, and keeps what was typed.
  await page.keyboard.press('Escape');
  await expect(day).toHaveValue(dayBefore(-10));
  await page.getByRole('button', { name: 'Pause the practice' }).click();
  await expect(page.getByRole('link', { name: 'Silas Y.: link never opened' })).toHaveCount(0);
  const family = await newPage(browser, { viewport: { width: 390, height: 844 } });
  await family.goto(`${linkOf('Silas Y.')}?lang=en`);
  await expect(family.getByText(/^Practice is paused until/)).toBeVisible();
  await expect(family.getByText('Start', { exact: true })).toHaveCount(0);
  await page.goto('/caseload?search=silas');
  await expect(page.getByRole('row', { name: /Silas Y\./ })).toContainText('paused until');
});

test('a key that is pressed as soon as a child’s next card stands is not lost', async ({ page }) => {
  const child = await beginAnew('Bram T.');
  await reportFirstTask(page.request, 'Bram T.', { question: 'on', words: 'May he stand?', doneOn: dayBefore(1) });
  await reportFirstTask(page.request, 'Bram T.', { question: 'on', words: 'And sit?', doneOn: dayBefore(2) });
  await signIn(page);
  await page.goto('/review');
  await page.getByRole('link', { name: 'Bram T.: question' }).first().click();
  const card = page.locator('[data-decision]');
  await expect(card).toHaveAttribute('data-decision', new RegExp(`^question:${child}:`));
  const first = await card.getAttribute('data-decision');
  await page.keyboard.press('r');
  await expect(card).not.toHaveAttribute('data-decision', first!);
  await expect(card).toHaveAttribute('data-decision', new RegExp(`^question:${child}:`));
  await page.keyboard.press('r');
  const settled = () => ask<{ answer: string }>("SELECT answer FROM decisions WHERE child_id = ? AND kind = 'question'", [child]);
  await expect.poll(async () => (await settled()).map(({ answer }) => answer)).toEqual(['read', 'read']);
});
