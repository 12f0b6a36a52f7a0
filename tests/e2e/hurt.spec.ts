import { expect, test, ask, beginAnew, childIdOf, linkOf, newPage, openTask, reportCount, sendReport, signIn, toHow } from './app';

test.use({ viewport: { width: 390, height: 844 } });

test.describe('something that hurts', () => {
  const link = () => `${linkOf('Greta J.')}?lang=en`;
  test.beforeEach(() => beginAnew('Greta J.'));

  test('at the touch, with no network: the fixed words, the task closed; told when the network is back, and only a person opens it', async ({
    page,
    context,
    browser,
  }) => {
    await page.goto(link());
    await openTask(page);
    const title = await page.getByRole('heading', { level: 1 }).textContent();
    await context.setOffline(true);
    await page.getByRole('link', { name: 'Something hurt' }).first().click();
    await expect(page.getByRole('heading', { name: `Stop this activity: “${title}”` })).toBeFocused();
    await expect(page.getByRole('link', { name: 'Emergency: call 911' })).toHaveAttribute('href', 'tel:911');
    await expect(page.getByText('no one watches this page all the time')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Done: send it' })).toBeHidden();
    await expect(page.getByRole('status').filter({ hasText: 'Please do not do this activity for now.' })).toContainText(
      'saved on this phone',
    );
    await page.goBack();
    await expect(page.getByRole('button', { name: 'Done: send it' })).toBeHidden();
    await page.getByLabel(/What happened/).fill('The clip snapped on a finger');
    await page.getByRole('button', { name: 'Send to the therapist' }).click();
    await context.setOffline(false);
    const told = async () => (await ask('SELECT words FROM reports WHERE child_id = ?', [await childIdOf('Greta J.')]))[0];
    await expect.poll(told, { timeout: 15_000 }).toEqual({ words: 'The clip snapped on a finger' });
    // Once it is told, the page goes by itself to what is said of it, and may be on its way just now.
    await expect(async () => void (await page.goto(link()))).toPass();
    await page.getByRole('link', { name: /On hold/ }).click();
    await expect(page.getByRole('heading', { name: `“${title}” is on hold` })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Something hurt' })).toHaveCount(0);

    const desk = await newPage(browser, { viewport: { width: 1280, height: 800 } });
    await signIn(desk);
    await desk.goto('/review');
    await desk.getByRole('link', { name: 'Greta J.: injury report' }).click();
    await expect(desk.getByText('The clip snapped on a finger').first()).toBeVisible();
    await desk.keyboard.press('r');
    await expect(desk.getByText('No one has reviewed this yet.').filter({ visible: true })).toHaveCount(0);
    await desk.goto('/review');
    await desk.getByRole('link', { name: 'Greta J.: injury report' }).click();
    await expect(desk.getByText(/Read by Ines Calloway-Brandt/).filter({ visible: true })).toHaveCount(1);
    await desk.keyboard.press('f');
    await desk.getByLabel('What did you find?').fill('A red mark, gone by the evening');
    await desk.getByLabel('Who did you speak to?').fill('the grandmother');
    await desk.getByLabel(/To the family/).fill('Use the soft clips first.');
    await desk.getByRole('button', { name: 'Reopen and notify the family' }).click();
    await expect(desk.getByRole('link', { name: 'Greta J.: injury report' })).toHaveCount(0);

    await page.goto(link());
    await expect(page.getByText('Use the soft clips first.')).toBeVisible();
    await expect(page.getByText(/open again from/)).toContainText('Ines Calloway-Brandt');
    await openTask(page);
    await expect(page.getByRole('link', { name: 'Finished' })).toBeVisible();
  });

  test('without scripts the same words are there at the touch, before anything is sent', async ({ browser }) => {
    const page = await newPage(browser, { javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
    await page.goto(link());
    await openTask(page);
    await page.getByRole('link', { name: 'Something hurt' }).first().click();
    await expect(page.getByRole('link', { name: 'Emergency: call 911' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Done: send it' })).toBeHidden();
    await page.getByRole('button', { name: 'Send to the therapist' }).click();
    await expect(page.getByRole('link', { name: 'Emergency: call 911' })).toBeVisible();
    await expect(page.getByRole('link', { name: /On hold/ })).toHaveCount(1);
    // What is closed is no stone of the day's way, neither next nor done.
    const left = await page.getByRole('link', { name: /Start/ }).count();
    await expect(page.getByRole('img', { name: `0 / ${left}`, exact: true })).toBeVisible();
  });

  test('pressed by mistake: the task stays on hold until the therapist opens it, by one key', async ({ page, browser }) => {
    await page.goto(link());
    await openTask(page);
    await page.getByRole('link', { name: 'Something hurt' }).first().click();
    await expect(page.getByText('Sent. This activity is on hold.')).toBeVisible();
    await page.getByRole('button', { name: 'I pressed this by mistake' }).click();
    await expect(page.getByText('The activity stays on hold until your therapist opens it again.')).toBeVisible();
    await page.goto(link());
    await expect(page.getByRole('link', { name: /On hold/ })).toHaveCount(1);
    const desk = await newPage(browser, { viewport: { width: 1280, height: 800 } });
    await signIn(desk);
    await desk.goto('/review');
    await expect(desk.locator('[data-open-injuries]')).toContainText('on hold after');
    await expect(desk).toHaveTitle(/^\(\d+\) /);
    await desk.getByRole('link', { name: 'Greta J.: pressed by mistake' }).click();
    const reopen = desk.getByRole('button', { name: /Reopen the task/ }).first();
    await expect(desk.getByText('then said it was a mistake')).toBeVisible();
    await expect(reopen).toBeVisible();
    await desk.keyboard.press('o');
    await expect(desk.getByText('then said it was a mistake')).toHaveCount(0);
    await expect(desk.getByRole('link', { name: 'Greta J.: pressed by mistake' })).toHaveCount(0);
    await expect(async () => {
      await page.goto(link());
      await expect(page.getByRole('link', { name: /On hold/ })).toHaveCount(0, { timeout: 1_000 });
    }).toPass();
  });

  test('what happened is kept at every letter, through a reload and today’s page, and can be sent later', async ({ page }) => {
    await page.goto(link());
    await openTask(page);
    await page.getByRole('link', { name: 'Something hurt' }).first().click();
    await expect(page.getByText('Sent. This activity is on hold.')).toBeVisible();
    await page.getByLabel(/What happened/).fill('Her nail tore off a bit');
    await page.reload();
    await expect(page.getByLabel(/What happened/)).toHaveValue('Her nail tore off a bit');
    await page.getByRole('link', { name: 'Back to today' }).click();
    await page.getByRole('link', { name: /On hold/ }).click();
    await expect(page.getByLabel(/What happened/)).toHaveValue('Her nail tore off a bit');
    await page.getByRole('button', { name: 'Send to the therapist' }).click();
    const told = async () =>
      (await ask('SELECT words FROM reports WHERE child_id = ? AND words <> ""', [await childIdOf('Greta J.')])).length;
    await expect.poll(told, { timeout: 15_000 }).toBe(1);
  });

  test('danger in free words that could not be sent: the fixed words at once, the task closed on the phone', async ({ page, context }) => {
    await page.goto(link());
    await openTask(page);
    const title = await page.getByRole('heading', { level: 1 }).textContent();
    await toHow(page);
    await page.getByText('Anything else?').first().click();
    await page.locator('.doing textarea[name=words]').fill('Her finger is swolen');
    await context.setOffline(true);
    await sendReport(page);
    await expect(page.getByRole('heading', { name: `Stop this activity: “${title}”` })).toBeFocused();
    await expect(page.getByRole('link', { name: 'Emergency: call 911' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Done: send it' })).toBeHidden();
    await context.setOffline(false);
    await page.goto(link());
    await expect.poll(() => reportCount('Greta J.')).toBe(2);
    await page.goto(link());
    await expect(page.getByRole('link', { name: /On hold/ })).toBeVisible();
  });

  test('danger in free words closes the task too', async ({ page, browser }) => {
    await page.goto(link());
    await openTask(page);
    await toHow(page);
    await page
      .getByText(/^(Anything else|¿Algo más)\?$/)
      .first()
      .click();
    await page.getByRole('textbox', { name: 'Anything else?' }).fill('he swolowed a bit of it');
    await sendReport(page);
    await expect(page.getByRole('link', { name: 'Emergency: call 911' })).toBeVisible();
    const desk = await newPage(browser, { viewport: { width: 1280, height: 800 } });
    await signIn(desk);
    await desk.goto('/review');
    await expect(desk.getByRole('link', { name: 'Greta J.: possible injury' })).toHaveCount(1);
  });
});
