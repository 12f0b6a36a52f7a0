import { expect, test, ask, beginAnew, childIdOf, linkOf, openTask, reportCount, sendReport, served, signIn, newPage } from './yard';

test.use({ viewport: { width: 390, height: 844 } });

test.describe('with scripts off', () => {
  test.use({ javaScriptEnabled: false });

  test('a family sees its day in its own language and reports by a plain form', async ({ page }) => {
    await beginAnew('Juniper S.');
    const before = await reportCount('Juniper S.');
    await page.goto(`${linkOf('Juniper S.')}?lang=es`);
    await expect(page.getByRole('heading', { name: 'Hoy' })).toBeVisible();
    await openTask(page);
    await expect(page.getByText('¿Cuánta ayuda?')).toBeVisible();
    const box = page.locator('input[inputmode=numeric]').first();
    await box.fill('3');
    await page.getByLabel('Solo palabras').check();
    await page.getByLabel('Bien', { exact: true }).check();
    await page
      .getByText(/^(Anything else|¿Algo más)\?$/)
      .first()
      .click();
    await page.locator('textarea[name=words]').fill('👩‍👧 مرحبا <b>muy bien</b>');
    await sendReport(page);
    await expect(page.getByRole('status')).toHaveText('Gracias. Está guardado.');
    expect(await reportCount('Juniper S.')).toBe(before + 1);
    const [report] = await ask<{ words: string; help: string; way: string }>(
      'SELECT words, help, way FROM reports WHERE child_id = ? ORDER BY id DESC LIMIT 1',
      [await childIdOf('Juniper S.')],
    );
    expect(report).toEqual({ words: '👩‍👧 مرحبا <b>muy bien</b>', help: 'words', way: 'link' });
  });

  test('what is wrong is said beside its field, nothing is lost, and one press sends it again', async ({ page }) => {
    await beginAnew('Wren O.');
    const before = await reportCount('Wren O.');
    await page.goto(`${linkOf('Wren O.')}?lang=en`);
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('-4');
    await page
      .getByText(/^(Anything else|¿Algo más)\?$/)
      .first()
      .click();
    await page.locator('textarea[name=words]').fill('kept words');
    await sendReport(page);
    await expect(page.getByText('-4 is less than 0. Write 0 or more.')).toBeVisible();
    await page.locator('input:not([type=hidden])').fill('4');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('status')).toHaveText('Thank you. It is saved.');
    expect(await reportCount('Wren O.')).toBe(before + 1);
    expect(await ask('SELECT words FROM reports WHERE child_id = ? ORDER BY id DESC LIMIT 1', [await childIdOf('Wren O.')])).toEqual([
      { words: 'kept words' },
    ]);
  });

  test('too hard swaps to the easier step that the therapist allowed, and the report says so', async ({ page }) => {
    await beginAnew('Otto Z.');
    await page.goto(`${linkOf('Otto Z.')}?lang=en`);
    await openTask(page);
    const asked = Number((await page.getByText(/^Step \d+ ·/).textContent())!.match(/\d+/)![0]);
    await page.getByRole('link', { name: 'Too hard' }).click();
    await expect(page.getByText(`You are on step ${asked - 1} now`)).toBeVisible();
    await expect(page.getByRole('link', { name: 'Too hard' })).toHaveCount(0);
    await page.locator('input[inputmode=numeric]').first().fill('2');
    await sendReport(page);
    expect(await ask('SELECT step FROM reports WHERE child_id = ? ORDER BY id DESC LIMIT 1', [await childIdOf('Otto Z.')])).toEqual([
      { step: asked - 1 },
    ]);
  });
});

test.describe('with scripts on', () => {
  test('tapping counts, the hands take turns, and a double tap on the button makes one report', async ({ page }) => {
    await beginAnew('Odalys V.');
    await page.goto(`${linkOf('Odalys V.')}?lang=en`);
    await page.getByRole('link', { name: /Crane lift/ }).click();
    for (const hand of ['Left hand', 'Right hand']) await page.getByLabel(new RegExp(hand)).fill('');
    const tap = page.getByRole('button', { name: /Tap here for each good one/ });
    for (let count = 0; count < 5; count += 1) await tap.click();
    await expect(tap).toContainText('Now the other hand: Right hand');
    for (let count = 0; count < 4; count += 1) await tap.click();
    await page.getByRole('button', { name: 'One less' }).click();
    await expect(page.getByLabel(/Left hand/)).toHaveValue('5');
    await expect(page.getByLabel(/Right hand/)).toHaveValue('3');
    await page.getByRole('button', { name: 'Finished this one' }).dblclick();
    await expect(page.getByRole('status')).toContainText('Thank you. It is saved.');
    expect(await reportCount('Odalys V.')).toBe(1);
  });

  test('a report survives no network and goes out by itself when it is back', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    const before = await reportCount('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('3');
    await context.setOffline(true);
    await sendReport(page);
    await expect(page.getByRole('status')).toContainText('It is kept on this phone');
    expect(await reportCount('Silas Y.')).toBe(before);
    await context.setOffline(false);
    await expect(page.getByRole('status')).toContainText('Thank you. It is saved.', { timeout: 15_000 });
    expect(await reportCount('Silas Y.')).toBe(before + 1);
  });

  test('something that hurts: the family is told at once what to do and whom to call; the therapist sees it first', async ({
    page,
    browser,
  }) => {
    await beginAnew('Greta J.');
    await page.goto(`${linkOf('Greta J.')}?lang=en`);
    await openTask(page);
    await page
      .getByText(/^(Anything else|¿Algo más)\?$/)
      .first()
      .click();
    await page.getByRole('checkbox', { name: 'Something hurt' }).check();
    await sendReport(page);
    await expect(page.getByRole('alert').first()).toContainText('call your own doctor. In an emergency call 911.');
    // It stays until a person has read it, also on a page that is opened anew.
    await page.goto(`${linkOf('Greta J.')}?lang=en`);
    await page.getByRole('link', { name: /Wait/ }).click();
    await expect(page.getByRole('alert').first()).toContainText('Stop this task for now.');
    const desk = await newPage(browser);
    await signIn(desk);
    await expect(desk.getByRole('link', { name: 'Greta J.: something hurt' })).toHaveCount(1);
  });

  test('what was said can be changed on the same day', async ({ page }) => {
    await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('2');
    await sendReport(page);
    await expect(page.getByRole('status')).toBeVisible();
    const before = await reportCount('Kasimir D.');
    await page.getByText('Change what you said').first().click();
    await page.locator('input[inputmode=numeric]').first().fill('4');
    await sendReport(page);
    await expect(page.getByRole('status')).toBeVisible();
    expect(await reportCount('Kasimir D.')).toBe(before);
  });

  test('a link that is closed, run out or made up says so, and shows nothing of a child', async ({ page }) => {
    const childId = await beginAnew('Calla I.');
    await page.goto(`${served().url}/f/${'x'.repeat(32)}`);
    await expect(page.getByRole('alert').first()).toContainText('This link does not open anything.');
    await ask('UPDATE family_links SET expires_at = created_at + INTERVAL 1 SECOND WHERE child_id = ?', [childId]);
    await page.goto(linkOf('Calla I.'));
    await expect(page.getByRole('alert').first()).toContainText('This link has run out.');
    await ask('UPDATE family_links SET revoked_at = NOW() WHERE child_id = ?', [childId]);
    await page.goto(linkOf('Calla I.'));
    await expect(page.getByRole('alert').first()).toContainText('This link was closed.');
    await expect(page.locator('body')).not.toContainText('Calla');
  });

  test('fits a phone of 320 px without scrolling sideways', async ({ page }) => {
    await page.setViewportSize({ width: 320, height: 640 });
    await beginAnew('Odalys V.');
    await page.goto(`${linkOf('Odalys V.')}?lang=es`);
    const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(await sideways()).toBe(0);
    await page.getByRole('link', { name: /La grúa/ }).click();
    await expect(page.getByText('¿Cuánta ayuda?')).toBeVisible();
    expect(await sideways()).toBe(0);
  });
});
