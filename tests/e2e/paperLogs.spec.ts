import type { Page } from '@playwright/test';
import { ask, beginAnew, dayBefore, expect, reportFirstTask, signIn, test } from './app';

/** The week before this one, so that all of its days have been. */
const LAST_WEEK = dayBefore(7);

async function counts(childId: number) {
  return ask<{ n: number; way: string }>(
    'SELECT COALESCE(CAST(amount AS DOUBLE), left_count + right_count) AS n, way FROM reports WHERE child_id = ? ORDER BY done_on, id',
    [childId],
  );
}

/** Every key that a person presses is counted: what typing costs is told by it. */
function typist(page: Page) {
  let pressed = 0;
  return {
    pressed: () => pressed,
    async keys(...all: string[]) {
      for (const key of all) {
        pressed += 1;
        await page.keyboard.press(key);
      }
    },
    async types(text: string) {
      pressed += text.length;
      await page.keyboard.type(text);
    },
  };
}

test('slips are typed in by keys alone: a name, boxes, Ctrl Enter, the next name; nothing is saved twice', async ({ page }) => {
  const childId = await beginAnew('Odalys V.');
  await ask('UPDATE program_versions v JOIN programs p ON p.id = v.program_id SET v.starts_on = ?, v.sent_on = ? WHERE p.child_id = ?', [
    dayBefore(20),
    dayBefore(20),
    childId,
  ]);
  await signIn(page, 'assistant');
  await page.goto('/reports');
  await page.keyboard.press('e');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Enter paper logs and calls');
  const { keys, types, pressed } = typist(page);
  await expect(page.getByLabel('Student', { exact: true })).toBeFocused();
  await types('Odal');
  await keys('Enter');
  const first = page.locator('[data-at="0,0"]');
  await expect(first).toBeFocused();
  await page.goto(`/reports/enter?child=${childId}&week=${LAST_WEEK}`);
  await expect(first).toBeFocused();
  // Which hands a task asks for is told beside its name: a count alone is not taken where it may be of each side or of both.
  const rows = page.getByRole('row').filter({ has: page.locator('[data-place]') });
  const typed: number[] = [];
  for (let row = 0; row < (await rows.count()); row += 1) {
    const perSide = (await rows.nth(row).getByRole('rowheader').textContent())!.includes('each side');
    for (let day = 0; day < 7; day += 1) {
      if (day < 5) {
        await types(perSide ? 'z4r3' : `${row + 4}`);
        typed.push(perSide ? 7 : row + 4);
      }
      await keys('Enter');
    }
  }
  await expect(page.getByRole('button', { name: `Save ${typed.length} boxes` })).toBeEnabled();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('status').filter({ hasText: `${typed.length} reports of Odalys V. saved.` })).toBeVisible();
  expect((await counts(childId)).map(({ n }) => n).sort()).toEqual([...typed].sort());
  expect(new Set((await counts(childId)).map(({ way }) => way))).toEqual(new Set(['paper']));
  await expect(page.getByLabel('Student', { exact: true })).toBeFocused();
  // Typed anew, the boxes are not there any more: what is told stands in their place.
  await page.goto(`/reports/enter?child=${childId}&week=${LAST_WEEK}`);
  await expect(page.locator('[data-place]')).toHaveCount(typed.length === 0 ? 0 : (typed.length / 5) * 7 - typed.length);
  // Five days of one slip cost fewer than 150 keys: at the 0.28 s of a usual typist (Card, Moran & Newell 1980, from memory) ten slips stay under seven minutes, at 0.2 s under five.
  expect(pressed()).toBeLessThan(150);
});

test('what can mean two things is told while it is typed, and nothing is saved till it is mended', async ({ page }) => {
  const childId = await beginAnew('Odalys V.');
  await signIn(page, 'therapist');
  await page.goto(`/reports/enter?child=${childId}`);
  const box = page.getByRole('row').filter({ hasText: 'Crane lift' }).locator('[data-place]').last();
  await box.fill('5');
  await expect(page.getByText('each side or both? Z5R5')).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(box).toBeFocused();
  expect(await counts(childId)).toEqual([]);
  await box.fill('Z5R5 S');
  await expect(page.getByText('left 5 right 5, independent')).toBeVisible();
  await page.getByLabel('Comment on the practice log').fill('sangre en el dedo');
  await expect(page.getByText('If anyone is hurt now, call 911 first.')).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('so the task is on hold')).toBeVisible();
  await page.goto('/review');
  await expect(page.getByRole('link', { name: 'Odalys V.: injury report' })).toBeVisible();
});

test('every report stands in the Logbook, is found by its words, and leads to where it is put right', async ({ page, request }) => {
  await beginAnew('Wren O.');
  await reportFirstTask(request, 'Wren O.', { words: 'liked the blue ones most' });
  await signIn(page, 'therapist');
  await page.keyboard.press('5');
  await page.goto('/reports');
  await page.getByLabel('Comments').fill('BLUE ones');
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  const row = page.getByRole('row').filter({ hasText: 'liked the blue ones most' });
  await expect(row).toContainText('Wren O.');
  await row.getByRole('link', { name: /Correct/ }).click();
  await expect(page).toHaveURL(/\/reports\/\d+/);
});

test('reports of a list: a fault is said by row, mended in place, and all of them are taken in; once more they are there', async ({
  page,
}) => {
  const childId = await beginAnew('Odalys V.');
  await ask('UPDATE program_versions v JOIN programs p ON p.id = v.program_id SET v.starts_on = ?, v.sent_on = ? WHERE p.child_id = ?', [
    dayBefore(20),
    dayBefore(20),
    childId,
  ]);
  await signIn(page);
  await page.goto('/reports');
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Import reports from a list');
  const list = (help: string) =>
    [
      'Who was it;Task;Day;Left;Right;Help',
      `Odalys V.;Crane lift;${dayBefore(3)};4;5;${help}`,
      `Odalys V.;Crane lift;${dayBefore(2)};5;5;alone`,
    ].join('\n');
  await expect(page.getByRole('textbox', { name: 'The list' })).toBeFocused();
  await page.keyboard.insertText(list('a bit'));
  await page.getByRole('button', { name: 'Preview' }).click();
  // A heading that is not known is matched by a person.
  await expect(page.getByText('student is missing').first()).toBeVisible();
  await page.getByRole('combobox', { name: 'Who was it' }).selectOption('child');
  await expect(page.getByText('“a bit” is not a level of help')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Import \d/ })).toBeDisabled();
  await page.getByRole('textbox', { name: 'The list' }).fill(list('words'));
  await page.getByRole('button', { name: 'Preview' }).click();
  await page.getByRole('button', { name: 'Import 2 reports' }).click();
  await expect(page.getByRole('status').filter({ hasText: '2 reports are imported' })).toBeVisible();
  expect((await counts(childId)).map(({ n, way }) => `${n} ${way}`)).toEqual(['9 paper', '10 paper']);
  await page.getByRole('textbox', { name: 'The list' }).fill(list('words'));
  await page.getByRole('button', { name: 'Preview' }).click();
  await expect(page.getByText('2 of 2 were imported before.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Import 0/ })).toBeDisabled();
});
