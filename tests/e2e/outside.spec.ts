import AxeBuilder from '@axe-core/playwright';
import { LANGUAGES } from '@/core/text';
import { ask, beginAnew, expect, linkOf, newPage, signIn, test } from './app';

/** What goes out beside the program: reminders, a calendar, the teacher's link. */

test.describe('a family’s reminders', () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test('are set on a plain form, without scripts, and the days come as a calendar', async ({ browser }) => {
    const childId = await beginAnew('Otto Z.');
    const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await page.goto(`${linkOf('Otto Z.')}?lang=en`);
    await page.getByRole('link', { name: 'Reminders and calendar' }).click();
    await page.getByLabel('Wednesday').check();
    await page.getByLabel('At what time?').fill('17:30');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('status')).toHaveText('Saved. You can change it any time.');
    await expect(page.getByLabel('Wednesday')).toBeChecked();
    expect(
      await ask("SELECT JSON_VALUE(reminders, '$.at') AS at, JSON_QUERY(reminders, '$.weekdays') AS days FROM children WHERE id = ?", [
        childId,
      ]),
    ).toEqual([{ at: '17:30', days: [3] }]);
    const feed = await context.request.get(`${linkOf('Otto Z.').split('?')[0]}/calendar.ics`);
    expect(feed.headers()['content-type']).toContain('text/calendar');
    expect(await feed.text()).toMatch(/^BEGIN:VCALENDAR\r\n[\s\S]*BEGIN:VEVENT[\s\S]*END:VCALENDAR\r?\n?$/);
    await context.close();
  });

  test('are without a finding in every language', async ({ page }) => {
    await beginAnew('Otto Z.');
    for (const language of LANGUAGES) {
      await page.goto(`${linkOf('Otto Z.').split('?')[0]}/reminders?lang=${language}`);
      expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    }
  });
});

test('a teacher’s link prints and passes a question on, and shows nothing of how practice goes', async ({ page, browser }) => {
  const childId = await beginAnew('Otto Z.');
  await signIn(page, 'therapist');
  await page.goto(`/students/${childId}/teachers`);
  await page.getByRole('button', { name: 'Create a link' }).click();
  const address = await page.getByText(/\/t\//).first().textContent();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  const teacher = await newPage(browser);
  await teacher.goto(address!);
  expect((await new AxeBuilder({ page: teacher }).analyze()).violations).toEqual([]);
  await expect(teacher.getByRole('heading', { name: 'Home practice of Otto' })).toBeVisible();
  await expect(teacher.locator('body')).not.toContainText(/Z\.|step|report(ed)? of/i);
  const paper = await teacher.request.get(`${address}/paper`);
  expect(paper.headers()['content-type']).toBe('application/pdf');
  await teacher.getByLabel('A question or comment for the therapist').fill('Could the class have the same tongs?');
  await teacher.getByRole('button', { name: 'Pass it on' }).click();
  await expect(teacher.getByRole('status')).toContainText('Sent. Messages are read on school days only.');
  await expect(async () => {
    await page.goto('/messages');
    await expect(page.getByRole('region', { name: 'Received texts' })).toContainText('Could the class have the same tongs?', {
      timeout: 1_000,
    });
  }).toPass({ timeout: 10_000 });
  await page.goto(`/students/${childId}/teachers`);
  await page.getByRole('button', { name: /Turn (it|them) off/ }).click();
  await expect(page.getByText(/\/t\//)).toHaveCount(0);
  expect((await teacher.request.get(address!)).status()).toBe(410);
  await teacher.context().close();
});
