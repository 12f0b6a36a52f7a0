import { expect, test, childIdOf, linkOf, served, signIn, signInByForm } from './app';

test.describe('signing in', () => {
  test('says the same for a wrong password and an unknown address, then lets the right one in', async ({ page }) => {
    await page.goto('/caseload');
    await expect(page).toHaveURL(/\/sign-in/);
    for (const email of [served().therapist.email, 'nobody@tarrowhill.example']) {
      await page.getByLabel('Address').fill(email);
      await page.getByLabel('Password').fill('wrong');
      await page.getByRole('button', { name: 'Sign in' }).click();
      await expect(page.getByRole('alert').first()).toHaveText('That email and password do not match. Please try again.');
    }
    await signInByForm(page);
    const [cookie] = await page.context().cookies();
    expect(cookie).toMatchObject({ name: 'yard', httpOnly: true, sameSite: 'Lax' });
  });

  test('ends for good when signing out: the old cookie opens nothing', async ({ page, context }) => {
    await signInByForm(page);
    const cookies = await context.cookies();
    await page.goto('/settings');
    await page.getByRole('button', { name: 'Sign out here' }).click();
    await expect(page).toHaveURL(/\/sign-in/);
    await context.addCookies(cookies);
    await page.goto('/caseload');
    await expect(page).toHaveURL(/\/sign-in/);
  });
});

test.describe('the yard', () => {
  test.beforeEach(({ page }) => signIn(page));

  test('has a row a child, with flights, a fortnight, a range and the last report', async ({ page }) => {
    await page.goto('/caseload');
    await expect(page.getByRole('heading', { name: '48 students' })).toBeVisible();
    await expect(page.locator('[data-row]')).toHaveCount(48);
    const row = page.locator('[data-row]', { hasText: 'Odalys V.' });
    await expect(row.getByRole('img', { name: /^Crane lift: step \d of 7/ })).toBeVisible();
    await expect(
      row.getByRole('img', { name: /^Last 14 days: \d+ all done, \d+ partly done, \d+ reported not done, \d+ no report/ }),
    ).toBeVisible();
    await expect(row.getByTitle(/planned: .* known done, .* Wilson/)).toHaveText(/\d+(–\d+)?%/);
  });

  test('keeps search, filter and order in its address', async ({ page }) => {
    await page.goto('/caseload');
    await page.keyboard.press('/');
    await page.keyboard.type('odal');
    await expect(page).toHaveURL(/search=odal/);
    await expect(page.locator('[data-row]')).toHaveCount(1);
    await page.getByLabel('Search for a student').fill('');
    await expect(page).not.toHaveURL(/search=/);
    await page.getByRole('link', { name: 'No report in 7 days' }).click();
    await expect(page).toHaveURL(/show=silent/);
    await page.getByRole('link', { name: 'Longest without a report' }).click();
    await expect(page).toHaveURL(/show=silent.*sort=word/);
    const shown = await page.locator('[data-row]').count();
    expect(shown).toBeGreaterThan(0);
    expect(shown).toBeLessThan(48);
    await page.reload();
    await expect(page.locator('[data-row]')).toHaveCount(shown);
  });

  test('is walked with the keyboard', async ({ page }) => {
    await page.goto('/caseload?group=none');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowUp');
    const first = await page.locator('[data-row] a').first().textContent();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(first!);
    await page.keyboard.press('9');
    await expect(page).toHaveURL(/\/messages/);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('Keyboard shortcuts of this screen');
    await expect(page.getByRole('dialog')).toContainText('Go to Review');
    await page.keyboard.press('Escape');
    await page.goto('/caseload');
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder('Student, task, screen or action…').fill('kasim');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Kasimir D.');
  });
});

test.describe('nobody reads a child that is not theirs, by any address', () => {
  test('the supervisor, with whom every eighth child is shared', async ({ page }) => {
    await signIn(page, 'supervisor');
    await page.goto('/caseload');
    await expect(page.locator('[data-row]')).toHaveCount(6);
    const others = await childIdOf('Bram T.');
    for (const address of [
      `/students/${others}`,
      `/students/${others}/program`,
      `/messages?phone=${others}`,
      '/students/999999',
      '/students/x',
    ]) {
      await page.goto(address);
      await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
      await expect(page.locator('body')).not.toContainText('Bram');
    }
    await page.goto(`/students/${await childIdOf('Odalys V.')}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Odalys V.');
  });

  test('the assistant reads, but has no way to build or regrade', async ({ page }) => {
    await signIn(page, 'assistant');
    const child = await childIdOf('Odalys V.');
    await page.goto(`/students/${child}`);
    await expect(page.getByRole('link', { name: /Build the next program/ })).toHaveCount(0);
    await page.goto(`/students/${child}/program`);
    await expect(page.getByRole('alert').first()).toContainText('Your role on this caseload does not include this');
  });

  test('nobody without signing in, and a family’s link opens no therapist’s screen', async ({ page, request }) => {
    await page.goto(linkOf('Odalys V.'));
    await page.goto('/caseload');
    await expect(page).toHaveURL(/\/sign-in/);
    const health = await request.get('/api/health');
    expect(await health.json()).toMatchObject({
      app: 'up',
      database: 'up',
      migrations: expect.any(Number),
      parts: { worker: { ok: true }, queue: { ok: true }, disk: { ok: true } },
    });
  });
});

test('addresses of earlier versions open the same screens', async ({ page }) => {
  await signIn(page);
  const childId = await childIdOf('Bram T.');
  for (const [earlier, now] of [
    ['/rounds', '/review'],
    ['/yard', '/caseload'],
    ['/logbook', '/reports'],
    ['/post', '/messages'],
    ['/sheets?task=house-front&step=6', '/worksheets?task=house-front&step=6'],
    [`/children/${childId}/program`, `/students/${childId}/program`],
  ]) {
    const answer = await page.request.get(earlier!, { maxRedirects: 0 });
    expect([earlier, answer.status(), answer.headers().location]).toEqual([earlier, 308, now]);
  }
});
