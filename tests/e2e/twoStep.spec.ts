import AxeBuilder from '@axe-core/playwright';
import { TOTP } from 'otpauth';
import type { Page } from '@playwright/test';
import { ask, expect, newPage, now, signIn, test } from './app';

const EMAIL = 'second.factor@tarrowhill.example';
const PASSWORD = 'a plank and two pegs';

async function hasNoFinding(page: Page): Promise<void> {
  expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html)])).toEqual([]);
}

async function signInAnew(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Address').fill(EMAIL);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.keyboard.press('Enter');
}

test('a second factor is set up, asked for, recovered from, and turned off with the password', async ({ page, browser }) => {
  await signIn(page, 'supervisor');
  await page.goto('/settings');
  // What concerns the whole workplace is a supervisor's.
  await page.getByLabel('Invite').selectOption('supervisor');
  await page.getByRole('button', { name: 'Make a one-time link' }).click();
  const link = await page.getByLabel('One-time link').inputValue();

  const theirs = await newPage(browser, { baseURL: new URL(page.url()).origin, viewport: { width: 1280, height: 800 } });
  await theirs.goto(link);
  await theirs.getByLabel('Your name').fill('Second Factor');
  await theirs.getByLabel('Email address').fill(EMAIL);
  await theirs.getByLabel('Password').fill(PASSWORD);
  await theirs.keyboard.press('Enter');
  await expect(theirs).toHaveURL(/\/caseload$/);

  await theirs.goto('/settings');
  await theirs.getByRole('link', { name: 'Set it up' }).click();
  await expect(theirs.getByRole('heading', { name: 'A second factor' })).toBeVisible();
  await hasNoFinding(theirs);
  const secret = (await theirs.locator('code').innerText()).replaceAll(' ', '');
  const code = (later = 0) => new TOTP({ secret }).generate({ timestamp: now() + later });
  await theirs.getByLabel('The code that the app shows now').fill('000000');
  await theirs.keyboard.press('Enter');
  await expect(theirs.getByRole('alert').first()).toContainText('That code did not work.');
  await theirs.getByLabel('The code that the app shows now').fill(code());
  await theirs.keyboard.press('Enter');
  const told = theirs.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem');
  await expect(told).toHaveCount(10);
  const codes = await told.allInnerTexts();
  await hasNoFinding(theirs);
  await theirs.getByRole('link', { name: 'I have them' }).click();
  await expect(theirs.getByText('10 recovery codes left', { exact: false })).toBeVisible();
  await theirs.getByRole('button', { name: 'Sign out here' }).click();

  await signInAnew(theirs);
  await expect(theirs.getByRole('heading', { name: 'One more step' })).toBeVisible();
  await hasNoFinding(theirs);
  // Nothing opens before the code is given.
  await theirs.goto('/caseload');
  await expect(theirs).toHaveURL(/\/two-step$/);
  await theirs.getByLabel('Authenticator code or recovery code').fill(codes[3]!);
  await theirs.keyboard.press('Enter');
  await expect(theirs).toHaveURL(/\/review/);

  await ask(
    'UPDATE sign_ins s JOIN people p ON p.id = s.person_id SET s.confirmed_at = s.confirmed_at - INTERVAL 1 HOUR WHERE p.email = ?',
    [EMAIL],
  );
  await theirs.goto('/settings');
  await expect(theirs.getByRole('button', { name: 'Turn it off' })).toHaveCount(0);
  await expect(theirs.getByLabel('Emergency number')).toHaveCount(0);
  await theirs.getByRole('link', { name: 'Enter your password to turn it off' }).click();
  await expect(theirs.getByLabel('Password')).toBeFocused();
  await hasNoFinding(theirs);
  await theirs.keyboard.type('not the password');
  await theirs.keyboard.press('Enter');
  await expect(theirs.getByRole('alert').first()).toContainText('That is not your current password.');
  await theirs.getByLabel('Password').fill(PASSWORD);
  await theirs.keyboard.press('Enter');
  await expect(theirs).toHaveURL(/\/settings#second-factor$/);
  await theirs.getByRole('button', { name: 'Turn it off' }).click();
  await expect(theirs.getByRole('link', { name: 'Set it up' })).toBeVisible();
  await expect(theirs.getByLabel('Emergency number')).toBeVisible();
  // The runner appends it to the trail a moment later.
  await expect(async () => {
    await theirs.reload();
    await theirs.getByText('Account history').click();
    await expect(theirs.getByText('used a recovery code').first()).toBeVisible({ timeout: 1_000 });
    await expect(theirs.getByText('turned off two-step verification').first()).toBeVisible({ timeout: 1_000 });
  }).toPass({ timeout: 20_000 });
});
