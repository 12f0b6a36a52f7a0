import {
  expect,
  test,
  ask,
  beginAnew,
  childIdOf,
  linkOf,
  newPage,
  openTask,
  reportCount,
  sendReport,
  served,
  dayBefore,
  toCount,
  toHow,
} from './app';

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
    await page.locator('.doing textarea[name=words]').fill('👩‍👧 مرحبا <b>muy bien</b>');
    await sendReport(page);
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toHaveText('Gracias. Está guardado.');
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
    await page.locator('.doing textarea[name=words]').fill('kept words');
    await sendReport(page);
    await expect(page.getByText('-4 is less than 0. Write 0 or more.')).toBeVisible();
    await page.locator('input:not([type=hidden])').fill('4');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toHaveText('Thank you. It is saved.');
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
    await toCount(page);
    const tap = page.getByRole('button', { name: /Tap here for each good try/ });
    for (let count = 0; count < 5; count += 1) await tap.click();
    await expect(tap).toContainText('Now the other hand: Right hand');
    for (let count = 0; count < 4; count += 1) await tap.click();
    await page.getByRole('button', { name: 'One less' }).click();
    await expect(page.getByLabel(/Left hand/)).toHaveValue('5');
    await expect(page.getByLabel(/Right hand/)).toHaveValue('3');
    await toHow(page);
    await page.getByRole('button', { name: 'Done: send it' }).dblclick();
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Thank you. It is saved.');
    expect(await reportCount('Odalys V.')).toBe(1);
  });

  test('counts are called out in the page’s language or clicked where that is wished, and not before', async ({ page }) => {
    await beginAnew('Juniper S.');
    // What reaches the phone's voice and its loudspeaker, beside what they do with it.
    await page.addInitScript(() => {
      const heard: string[] = [];
      Object.assign(window, { heard });
      const speak = speechSynthesis.speak.bind(speechSynthesis);
      speechSynthesis.speak = (said) => {
        heard.push(`${said.lang} ${said.text}`);
        speak(said);
      };
      const start = OscillatorNode.prototype.start;
      OscillatorNode.prototype.start = function (when) {
        heard.push('click');
        start.call(this, when);
      };
    });
    const heard = () => page.evaluate(() => (window as unknown as { heard: string[] }).heard);
    await page.goto(`${linkOf('Juniper S.')}?lang=es`);
    await openTask(page);
    const pad = page.locator('.screen.shown button.pad');
    await pad.click();
    expect(await heard()).toEqual([]);
    const along = page.locator('.screen.shown select');
    await along.selectOption('voice');
    await pad.click();
    await expect.poll(heard).toEqual([expect.stringMatching(/^es\S* 2$/)]);
    await along.selectOption('click');
    await pad.click();
    await expect.poll(async () => (await heard()).slice(1)).toEqual(['click']);
  });

  test('the first report takes eight taps at most: all of it at once, help, how it felt', async ({ page }) => {
    await beginAnew('Odalys V.');
    await page.goto(`${linkOf('Odalys V.')}?lang=en`);
    const taps = [
      page.getByRole('link', { name: /Crane lift/ }),
      page.getByRole('link', { name: 'Ready', exact: true }),
      page.getByRole('link', { name: 'Start', exact: true }),
      page.getByRole('button', { name: 'All 10 done' }),
      page.getByRole('link', { name: 'Finished' }),
      page.getByText('Only words'),
      page.getByText('Just right'),
      page.getByRole('button', { name: 'Done: send it' }),
    ];
    for (const tap of taps) await tap.click();
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    expect(
      await ask('SELECT left_count, right_count, help, effort FROM reports WHERE child_id = ?', [await childIdOf('Odalys V.')]),
    ).toEqual([{ left_count: 5, right_count: 5, help: 'words', effort: 'right' }]);
    await page.getByRole('link', { name: /^Next: / }).click();
    await expect(page.getByRole('heading', { name: 'Get ready' })).toBeVisible();
  });

  test('too hard in place: both steps’ counts are kept, each told of its own step; with none easier it is useful to know', async ({
    page,
  }) => {
    const id = await beginAnew('Odalys V.');
    await page.goto(`${linkOf('Odalys V.')}?lang=en`);
    await page.getByRole('link', { name: /Crane lift/ }).click();
    await toCount(page);
    const tap = page.getByRole('button', { name: /Tap here for each good try/ });
    await tap.click({ clickCount: 2 });
    await page.getByRole('link', { name: 'Too hard? Make it easier' }).click();
    await expect(page.getByText('You are on step 2 now. What you counted before is kept.')).toBeVisible();
    await expect(page.getByText('Lift one sponge block into the box.').filter({ visible: true })).toBeVisible();
    await tap.click({ clickCount: 4 });
    await page.reload();
    await expect(page.locator('.screen.shown .pad-number')).toHaveText('4');
    await page.locator('.screen.shown [data-swap=tooHard]').click();
    await expect(page.getByRole('heading', { name: 'How was it?' })).toBeVisible();
    await expect(page.getByLabel('Too hard', { exact: true })).toBeChecked();
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    expect(await ask('SELECT step, left_count, effort FROM reports WHERE child_id = ? ORDER BY step', [id])).toEqual([
      { step: 2, left_count: 4, effort: 'tooHard' },
      { step: 3, left_count: 2, effort: 'tooHard' },
    ]);
  });

  test('a report survives no network and goes out by itself when it is back', async ({ page, context }) => {
    await beginAnew('Silas Y.');
    const before = await reportCount('Silas Y.');
    await page.goto(`${linkOf('Silas Y.')}?lang=en`);
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('3');
    await context.setOffline(true);
    await sendReport(page);
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toContainText('It is saved on this phone');
    // In the outbox, and only there: kept twice it would be told twice.
    expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('yard-draft')))).toEqual([]);
    expect(await reportCount('Silas Y.')).toBe(before);
    await context.setOffline(false);
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Sent.', { timeout: 15_000 });
    expect(await reportCount('Silas Y.')).toBe(before + 1);
  });

  test('a count, the help and the words survive a reload and today’s page, and go with the report', async ({ page }) => {
    await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(page);
    const counted = page.locator('.doing [data-field=left], .doing [data-field=amount]').first();
    await page.locator('.pad').click({ clickCount: 3 });
    await expect(counted).toHaveValue('3');
    await toHow(page);
    await page.getByText('Only words').click();
    await page.getByText('Anything else?').first().click();
    await page.getByRole('textbox', { name: 'Anything else?' }).fill('He sang all the while.');
    await page.reload();
    await expect(counted).toHaveValue('3');
    await page.getByRole('link', { name: 'Back to today' }).click();
    await page.getByRole('listitem').getByRole('link').first().click();
    await expect(page.locator('.screen.shown .pad-number')).toHaveText('3');
    await sendReport(page);
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Thank you. It is saved.');
    const id = await childIdOf('Kasimir D.');
    const [told] = await ask<{ step: number; help: string; words: string; count: number }>(
      'SELECT step, help, words, CAST(COALESCE(left_count, 0) + COALESCE(right_count, 0) + COALESCE(amount, 0) AS INTEGER) AS count FROM reports WHERE child_id = ?',
      [id],
    );
    expect(told).toEqual({ step: 3, help: 'words', words: 'He sang all the while.', count: 3 });
    await page.getByRole('link', { name: 'Back to today' }).click();
    await page.getByRole('listitem').getByRole('link').first().click();
    await page.goto(`${page.url().replace(/#.*/, '')}#ready`);
    await expect(page.getByText('You already reported 3 today.')).toBeVisible();
    await page.getByRole('link', { name: 'We did it again' }).click();
    await toCount(page);
    await counted.fill('2');
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    await page.getByRole('link', { name: 'Back to today' }).click();
    await expect(page.getByText('reported 2 times today')).toBeVisible();
    expect(await reportCount('Kasimir D.')).toBe(2);
  });

  test('the key of the keyboard in a number box leads on to how it was, and files no reason for not doing it', async ({
    page,
    browser,
  }) => {
    const id = await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(page);
    await page.locator('.screen.shown [data-field]').first().fill('4');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'How was it?' })).toBeVisible();
    expect(await reportCount('Kasimir D.')).toBe(0);
    const plain = await newPage(browser, { javaScriptEnabled: false });
    await plain.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(plain);
    await plain.locator('input[inputmode=numeric]').first().fill('4');
    await plain.keyboard.press('Enter');
    await expect(plain.getByText('Thank you. It is saved.')).toBeVisible();
    expect(await ask('SELECT done, stop_reason FROM reports WHERE child_id = ?', [id])).toEqual([{ done: 1, stop_reason: null }]);
  });

  test('a language without the safety lines is offered to nobody but whose own it is, and says so; a choice is kept', async ({ page }) => {
    const id = await beginAnew('Kasimir D.');
    await page.goto(linkOf('Kasimir D.'));
    const menu = page.locator('.languages');
    await menu.locator('summary').click();
    await expect(menu.getByRole('link', { name: 'Español' })).toBeVisible();
    for (const name of ['العربية', 'Français', 'Português']) await expect(menu.getByRole('link', { name })).toHaveCount(0);
    await expect(page.locator('[data-in-english]')).toHaveCount(0);
    await menu.getByRole('link', { name: 'Español' }).click();
    await expect(page.locator('html')).toHaveAttribute('lang', /^es/);
    // The link of the next text names no language.
    await page.goto(linkOf('Kasimir D.'));
    await expect(page.locator('html')).toHaveAttribute('lang', /^es/);
    await ask("UPDATE children SET family_language = 'ar' WHERE id = ?", [id]);
    await page.context().clearCookies();
    await page.goto(linkOf('Kasimir D.'));
    await expect(page.locator('[data-in-english]')).toContainText('بالإنجليزية');
    await ask("UPDATE children SET family_language = 'en' WHERE id = ?", [id]);
  });

  test('what is told of yesterday is kept apart from what was counted today', async ({ page }) => {
    const id = await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(page);
    await page.locator('.screen.shown [data-field]').first().fill('4');
    const today = page.url().replace(/#.*/, '');
    // A day that is none is today.
    expect((await page.goto(`${today}&day=2026-99-99`))!.status()).toBe(200);
    await expect(page.getByText(/^Your report is for /)).toHaveCount(0);
    await page.goto(`${today}&day=${dayBefore(1)}`);
    await expect(page.getByText(/^Your report is for /)).toBeVisible();
    await toCount(page);
    await expect(page.locator('.screen.shown [data-field]').first()).toHaveValue('');
    await page.locator('.screen.shown [data-field]').first().fill('2');
    await page.goto(today);
    await expect(page.locator('.doing [data-field]').first()).toHaveValue('4');
    await page.goto(`${today}&day=${dayBefore(1)}`);
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    expect(
      await ask('SELECT CAST(done_on AS CHAR) AS day, COALESCE(left_count, amount) + 0 AS count FROM reports WHERE child_id = ?', [id]),
    ).toMatchObject([{ day: dayBefore(1) }]);
  });

  test('not done takes one tap for the reason', async ({ page }) => {
    await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await page.getByRole('listitem').getByRole('link').first().click();
    await page.getByText('We did not do this one').click();
    await page.getByRole('button', { name: 'Did not want to' }).click();
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Not today is fine.');
    expect(await ask('SELECT done, stop_reason FROM reports WHERE child_id = ?', [await childIdOf('Kasimir D.')])).toEqual([
      { done: 0, stop_reason: 'refused' },
    ]);
  });

  test('a page left open over night asks whose day it was', async ({ page }) => {
    await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('4');
    // The phone's clock goes on to tomorrow; the server takes no day that is not yet, so what was done stays of this day.
    await page.evaluate(() => {
      const tomorrow = Date.now() + 86_400_000;
      globalThis.Date = new Proxy(Date, { get: (target, key) => (key === 'now' ? () => tomorrow : Reflect.get(target, key)) });
    });
    await sendReport(page);
    await expect(page.getByText(/^This page is from .*\. When was it done\?$/)).toBeVisible();
    expect(await reportCount('Kasimir D.')).toBe(0);
    await page.getByRole('button', { name: /^On / }).click();
    await expect(page.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Thank you. It is saved.');
    expect(await reportCount('Kasimir D.')).toBe(1);
  });

  test('a plan that has not begun asks for nothing yet', async ({ page }) => {
    const id = await beginAnew('Kasimir D.');
    await ask('UPDATE program_versions v JOIN programs p ON p.id = v.program_id SET v.starts_on = ? WHERE p.child_id = ?', [
      dayBefore(-3),
      id,
    ]);
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await expect(page.getByText(/^This plan begins on/)).toBeVisible();
    await expect(page.getByText('Start', { exact: true })).toHaveCount(0);
  });

  test('what was said can be changed on the same day', async ({ page }) => {
    await beginAnew('Kasimir D.');
    await page.goto(`${linkOf('Kasimir D.')}?lang=en`);
    await openTask(page);
    await page.locator('input[inputmode=numeric]').first().fill('2');
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    const before = await reportCount('Kasimir D.');
    await page.getByRole('link', { name: 'Back to today' }).click();
    await page.getByText('Change your report').first().click();
    await page.goto(`${page.url().replace(/#.*/, '')}#do`);
    await page.locator('.screen.shown .typed summary').click();
    await page.locator('.screen.shown [data-field]').first().fill('4');
    await sendReport(page);
    await expect(page.getByText('Thank you. It is saved.')).toBeVisible();
    await page.getByRole('link', { name: 'Back to today' }).click();
    await expect(page.getByText(/ 4 of \d+ · Change your report$/)).toBeVisible();
    expect(await reportCount('Kasimir D.')).toBe(before);
  });

  test('a link that is closed, run out or made up says so, and shows nothing of a child', async ({ page }) => {
    const childId = await beginAnew('Calla I.');
    await page.goto(`${served().url}/f/${'x'.repeat(32)}`);
    await expect(page.getByRole('alert').first()).toContainText('This link does not open anything.');
    await ask('UPDATE family_links SET expires_at = created_at + INTERVAL 1 SECOND WHERE child_id = ?', [childId]);
    await page.goto(linkOf('Calla I.'));
    await expect(page.getByRole('alert').first()).toContainText('This link has expired.');
    await ask('UPDATE family_links SET revoked_at = NOW() WHERE child_id = ?', [childId]);
    await page.goto(linkOf('Calla I.'));
    await expect(page.getByRole('alert').first()).toContainText('This link was closed.');
    await expect(page.locator('body')).not.toContainText('Calla');
  });

  test('fits a phone of 320 × 568: each screen has its main button in sight, and nothing goes sideways', async ({ page }) => {
    await page.setViewportSize({ width: 320, height: 568 });
    await beginAnew('Odalys V.');
    await page.goto(`${linkOf('Odalys V.')}?lang=es`);
    const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(await sideways()).toBe(0);
    await page.getByRole('link', { name: /La grúa/ }).click();
    for (const screen of ['ready', 'look', 'do', 'how']) {
      await page.goto(`${page.url().replace(/#.*/, '')}#${screen}`);
      await expect(page.locator(`#${screen}`)).toBeVisible();
      await expect(page.locator('.screen.shown .press-main')).toBeInViewport();
      await expect(page.locator('.screen.shown .hurt-link')).toBeInViewport();
      expect(await sideways()).toBe(0);
    }
  });
});
