import {
  expect,
  test,
  ask,
  beginAnew,
  childIdOf,
  newestLink,
  textsAreOut,
  linkOf,
  openTask,
  sendReport,
  served,
  signIn,
  signInByForm,
  newPage,
} from './app';

test.describe('links of a family', () => {
  test('a new one is sent to the phone, and the old one is closed for good', async ({ page, browser }) => {
    await signIn(page);
    const child = await beginAnew('Rowan G.');
    const family = await newPage(browser);
    await family.goto(`${linkOf('Rowan G.')}?lang=en`);
    await expect(family.getByText('Rowan ·')).toBeVisible();

    await page.goto(`/students/${child}`);
    const press = async (name: string) => {
      if (!(await page.getByRole('button', { name }).isVisible())) await page.keyboard.press('w');
      const answered = page.waitForResponse((response) => response.request().method() === 'POST');
      await page.getByRole('button', { name }).click();
      await answered;
      await textsAreOut();
      await page.reload();
      await page.keyboard.press('w');
    };
    const open = page.getByRole('listitem').filter({ hasText: 'current until' });
    await press('Send the link again');
    await expect(open).toHaveCount(1);
    await expect(open).toContainText('first opened');
    await press('Send a new link, and close this one');
    await expect(open).toHaveCount(1);
    await expect(open).toContainText('not opened yet');
    await family.reload();
    await expect(family.getByRole('alert').first()).toContainText('This link was closed.');

    await page.goto(`/messages?phone=${child}`);
    const fresh = await newestLink(page);
    await family.goto(`${fresh}?lang=en`);
    await expect(family.getByText('Rowan ·')).toBeVisible();
  });
});

test.describe('settings', () => {
  test('the number that families are told to call', async ({ page, browser }) => {
    await signIn(page, 'supervisor');
    await page.goto('/settings');
    await page.getByLabel('Emergency number').fill('call mum');
    await page.getByRole('button', { name: 'Save', exact: true }).first().click();
    await expect(page.getByRole('alert').first()).toHaveText('That is not a telephone number. Enter digits, such as 911.');
    await page.getByLabel('Emergency number').fill('112');
    await page.getByRole('button', { name: 'Save', exact: true }).first().click();
    await expect
      .poll(async () => (await ask<{ emergency_number: string }>('SELECT emergency_number FROM workplace'))[0]!.emergency_number)
      .toBe('112');
    const family = await newPage(browser);
    await beginAnew('Nerys F.');
    await family.goto(`${linkOf('Nerys F.')}?lang=en`);
    await family.locator('ol a').first().click();
    await family.getByRole('link', { name: 'Something hurt' }).first().click();
    await expect(family.getByRole('link', { name: 'Emergency: call 112' })).toBeVisible();
    await page.getByLabel('Emergency number').fill('911');
    await page.getByRole('button', { name: 'Save', exact: true }).first().click();
    await expect
      .poll(async () => (await ask<{ emergency_number: string }>('SELECT emergency_number FROM workplace'))[0]!.emergency_number)
      .toBe('911');
  });

  test('a session left open elsewhere is ended from here', async ({ page, browser }) => {
    const elsewhere = await newPage(browser);
    await signInByForm(elsewhere, 'supervisor');
    await signInByForm(page, 'supervisor');
    await page.goto('/settings');
    const others = page.getByRole('button', { name: 'sign out there' });
    const count = await others.count();
    expect(count).toBeGreaterThan(0);
    for (let left = count; left > 0; left -= 1) {
      await others.first().click();
      await expect(others).toHaveCount(left - 1);
    }
    await elsewhere.goto('/caseload');
    await expect(elsewhere).toHaveURL(/\/sign-in/);
    await page.goto('/caseload');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('6 students');
  });
});

test.describe('deleting a child', () => {
  test('asks for the name, says what goes and what stays, and closes the family’s page', async ({ page, browser }) => {
    await signIn(page);
    const child = await childIdOf('Marisol Z.');
    await page.goto(`/students/${child}`);
    await page.keyboard.press('o');
    await page.getByText('Delete this student…').click();
    await expect(page.getByText(/^Permanently deletes this student’s information.*The access log keeps an ID number/)).toBeVisible();
    await page.getByLabel(/To confirm, type/).fill('marisol');
    await page.getByRole('button', { name: 'Delete permanently' }).click();
    await expect(page.getByRole('alert').first()).toContainText('The name is not the same.');
    await page.getByLabel(/To confirm, type/).fill('Marisol Z.');
    await page.getByRole('button', { name: 'Delete permanently' }).click();
    await expect(page.getByRole('heading', { name: '47 students' })).toBeVisible();
    const family = await newPage(browser);
    await family.goto(linkOf('Marisol Z.'));
    await expect(family.getByRole('alert').first()).toContainText('This link does not open anything.');
    expect(await ask('SELECT id FROM reports WHERE child_id = ?', [child])).toEqual([]);
  });
});

test.describe('two people', () => {
  test('regrade the same child at once: the second one is told, and nothing of theirs is written', async ({ page, browser }) => {
    const child = await beginAnew('Odalys V.');
    const other = await newPage(browser, { viewport: { width: 1280, height: 800 } });
    await signIn(page);
    await signInByForm(other, 'supervisor');
    for (const each of [page, other]) {
      await each.goto(`/students/${child}/program`);
      // The key ring of the zip is a small part, and Odalys mouths objects: that asks for a reason.
      for (const reason of await each.getByLabel('Needs your clinical reason:').all()) await reason.fill('Only at my side');
      await each.getByLabel(/I have read the/).check();
    }
    await page.getByRole('button', { name: /Send as version/ }).click();
    await expect(page).toHaveURL(/\/messages/);
    const versions = () =>
      ask<{ count: number }>(
        'SELECT COUNT(*) AS count FROM program_versions v JOIN programs p ON p.id = v.program_id WHERE p.child_id = ?',
        [child],
      );
    const before = await versions();
    await other.getByRole('button', { name: /Send as version/ }).click();
    await expect(other.getByRole('alert').first()).toContainText(
      'A colleague changed this program after you opened it. Your change was not saved.',
    );
    expect(await versions()).toEqual(before);
  });
});

test('a report that was open while a new version went out is kept with the plan that was used', async ({ page, browser }) => {
  const child = await beginAnew('Hollis Y.');
  const family = await newPage(browser);
  await family.goto(`${linkOf('Hollis Y.')}?lang=en`);
  await openTask(family);
  await signIn(page);
  await page.goto(`${served().url}/students/${child}/program`);
  const cautions = page.getByLabel(/I have read the/);
  if ((await cautions.count()) > 0) await cautions.check();
  await page.getByRole('button', { name: /Send as version/ }).click();
  await expect(page).toHaveURL(/\/messages/);
  await family.locator('input[inputmode=numeric]').first().fill('2');
  await sendReport(family);
  await expect(family.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Your therapist has sent a newer plan since.');
});
