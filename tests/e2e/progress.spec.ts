import { readFile } from 'node:fs/promises';
import { readPdf } from './readPdf';
import { ask, expect, signIn, test } from './app';

test('a goal’s period goes from a measure to the closed report by keys: measured, read in words and figures, one’s own words, closed', async ({
  page,
}) => {
  await ask('DELETE FROM wording_patterns');
  // A goal of a family that has told of its tasks: other tests may have begun one or the other anew.
  const [goal] = await ask<{ id: number; of: number; child: string; name: string }>(
    `SELECT g.id, JSON_VALUE(v.content, '$.measure.of') AS \`of\`, CONCAT(c.called_name, ' ', c.initial, '.') AS child, c.called_name AS name
     FROM goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version JOIN children c ON c.id = g.child_id
     JOIN reports r ON r.child_id = g.child_id AND r.done = 1 AND r.mistake = 0 AND JSON_CONTAINS(JSON_EXTRACT(v.content, '$.taskIds'), CAST(r.task_id AS CHAR))
     WHERE JSON_VALUE(v.content, '$.measure.kind') = 'count' AND g.closed_on IS NULL GROUP BY g.id ORDER BY COUNT(*) DESC, g.id LIMIT 1`,
  );
  const { child, name } = goal!;
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await signIn(page);
  await page.keyboard.press('8');
  await page.goto(`/progress?goal=${goal!.id}`);
  const before = await page.getByText(/Show the data as a table \((\d+)\)/).textContent();
  // From the goal to the sheet by its key; what is measured there stands here.
  await page.keyboard.press('m');
  await expect(page).toHaveURL(/\/measure/);
  await expect(page.getByRole('combobox', { name: 'Goal' })).toHaveValue(String(goal!.id));
  await page.getByLabel('Successful trials').fill(String(goal!.of));
  await page.getByLabel('out of').fill(String(goal!.of));
  await page.getByLabel('out of').press('Enter');
  await expect(page.getByText(`${goal!.of} of ${goal!.of}`).first()).toBeVisible();
  await page.goto(`/progress?goal=${goal!.id}`);
  await expect(page.getByText(/Show the data as a table/)).not.toHaveText(before!);
  const chart = page.getByRole('img', { name: new RegExp(`^Chart of ${child}`) });
  await expect(chart).toHaveAccessibleName(/The table below has all values/);
  await expect(chart.locator('svg path').first()).toBeAttached();
  // Every sentence can be asked how it is known.
  for (const summary of await page.locator('h3:has-text("How was this calculated?") ~ details > summary').all()) {
    await summary.focus();
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText(/School data, including the baseline/)).toBeVisible();
  // Edited in its box: what is one's own is lined, what was left stays built.
  const box = page.getByLabel('The paragraph in your own words');
  const built = await box.inputValue();
  await page.locator('h1').click();
  await page.keyboard.press('e');
  await expect(box).toBeFocused();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(` ${name} fetches the bolt box alone.`);
  await page.keyboard.press('Control+Enter');
  await expect(page.locator('[data-own-words]')).toHaveText(`${name} fetches the bolt box alone.`);
  // The same wording for the next child: kept without a name, put in with the next one's.
  await page.getByText('Your saved patterns (0)').click();
  await box.evaluate(
    (area: HTMLTextAreaElement, from) => area.setSelectionRange(area.value.lastIndexOf(from), area.value.length),
    ` ${name} fetches`,
  );
  await page.getByRole('button', { name: 'Use the selected text' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Bolt box');
  await page.getByRole('button', { name: 'Save the pattern' }).click();
  await expect(page.getByText('Your saved patterns (1)')).toBeVisible();
  expect(await ask('SELECT words FROM wording_patterns')).toEqual([{ words: '{child} fetches the bolt box alone.' }]);
  await page.getByRole('button', { name: 'Restore the text from the data' }).click();
  await expect(box).toHaveValue(built);
  await page.keyboard.press('Control+End');
  await page.getByRole('button', { name: 'Bolt box', exact: true }).click();
  await expect(box).toHaveValue(new RegExp(`${name} fetches the bolt box alone\\.`));
  await page.locator('h1').click();
  await page.keyboard.press('c');
  await expect(page.getByText('(copied)')).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied).toMatch(new RegExp(`${name} went from .* at baseline|At baseline on .*, ${name} was at`));
  expect(copied).toMatch(new RegExp(`${name} fetches the bolt box alone\\.$`));
  // The reports behind a figure are a link away.
  await page.reload();
  await page
    .locator('details > summary')
    .filter({ hasText: /^The family reported/ })
    .click();
  const behind = page.getByText(/^The reports behind it/);
  await expect(behind.getByRole('link').first()).toBeVisible();
  await page.getByText(/^Close .* for this goal$/).click();
  await page.getByRole('button', { name: /^Close the period( early)?$/ }).click();
  await expect(page.getByText(/is closed for this goal/)).toBeVisible();
  await page.getByText(/closed .* by Ines Calloway-Brandt/).click();
  await expect(page.getByText('It has not changed since.')).toBeVisible();
  // What was measured is taken back: the closed report stays, and says what it would miss.
  await ask('UPDATE measurements SET taken_back_at = NOW(3) WHERE goal_id = ? ORDER BY id DESC LIMIT 1', [goal!.id]);
  await page.reload();
  await page.getByText(/closed .* by Ines Calloway-Brandt/).click();
  await expect(page.getByText(/1 of your data points were withdrawn/)).toBeVisible();
});

test('the whole caseload’s reports come as one PDF, while one looks on, with the words of the screen', async ({ page }) => {
  await signIn(page);
  await page.goto('/progress');
  const childName = (await page.locator('section[aria-label=Goal] a').first().textContent())!;
  const said = (await page.locator('#paragraph').textContent())!;
  const children = Number(/(\d+) students/.exec((await page.getByText(/goals, \d+ students/).textContent())!)![1]);
  await page.getByRole('button', { name: 'All reports as a PDF' }).click();
  const save = page.getByRole('link', { name: 'Save the PDF' });
  await expect(save).toBeVisible({ timeout: 30_000 });
  const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
  const { pages, isTagged } = await readPdf(await readFile(await download.path()));
  expect(isTagged).toBe(true);
  const text = pages
    .map((each) => each.text)
    .join(' ')
    .replace(/\s+/g, ' ');
  expect(pages.length).toBeGreaterThanOrEqual(children);
  expect(text).toContain(childName);
  expect(text).toContain(said.replace(/\s+/g, ' ').trim());
});
