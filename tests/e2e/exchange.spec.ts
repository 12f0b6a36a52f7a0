import { readFileSync } from 'node:fs';
import { OPEN_TABLES } from '@/formats';
import { readOpenCsv } from '../fixtures/readOpenCsv';
import { ask as rows, childIdOf, expect, served, signIn, test } from './app';

const confirmFor = async (page: import('@playwright/test').Page, next: string, password: string) => {
  await page.goto(`/confirm?next=${encodeURIComponent(next)}`);
  await page
    .getByLabel(/password/i)
    .first()
    .fill(password);
  await page.keyboard.press('Enter');
  await page.waitForURL((url) => url.pathname === new URL(next, 'http://x').pathname);
};

test('a supervisor opens the tables to a program by key, and shuts them again; a pack of rules is looked at and taken', async ({
  page,
}) => {
  await signIn(page, 'supervisor');
  await confirmFor(page, '/settings/data', served().supervisor.password);
  await page.getByLabel('What is it for?').fill('Board report');
  await page.getByRole('button', { name: 'Create a key' }).click();
  const key = await page.getByLabel('Key', { exact: true }).inputValue();
  const ask = (path: string, headers: Record<string, string> = { authorization: `Bearer ${key}` }) =>
    fetch(`${served().url}/api/v1/${path}`, { headers });
  const first = (await (await ask('reports?most=3')).json()) as { rows: { id: number }[]; next: number };
  const second = (await (await ask(`reports?most=3&after=${first.next}`)).json()) as { rows: { id: number }[] };
  expect(first.rows).toHaveLength(3);
  expect(second.rows[0]!.id).toBeGreaterThan(first.next);
  const { paths } = (await (await ask('openapi.json')).json()) as { paths: object };
  for (const path of Object.keys(paths)) expect((await ask(path.slice(1))).status).toBe(200);
  expect([(await ask('people')).status, (await ask('reports?most=9999')).status, (await ask('reports', {})).status]).toEqual([
    404, 422, 401,
  ]);
  const pack = page.waitForEvent('download');
  await page.getByRole('link', { name: 'policy-pack.json' }).click();
  const rules = JSON.parse(readFileSync(await (await pack).path(), 'utf8')) as { policy: { keeping: { clipDays: number } } };
  rules.policy.keeping.clipDays = 31;
  await page.locator('textarea[name=pack]').fill(JSON.stringify(rules));
  await page.getByRole('button', { name: 'Preview the changes' }).click();
  await expect(page.getByRole('row', { name: /days to keep videos from families 30 31/ })).toBeVisible();
  await page.getByRole('button', { name: 'Use these rules' }).click();
  await expect(page.getByText('Imported.')).toBeVisible();
  rules.policy.keeping.clipDays = 0;
  await page.locator('textarea[name=pack]').fill(JSON.stringify(rules));
  await page.getByRole('button', { name: 'Preview the changes' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'policy.keeping.clipDays' })).toBeVisible();
  await page.reload();
  await page.getByRole('listitem').filter({ hasText: 'Board report' }).getByRole('button', { name: 'Revoke' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Board report' })).toHaveCount(0);
  expect((await ask('reports')).status).toBe(404);
  // As the tests that follow expect it.
  await rows('UPDATE workplace SET clip_days = 30');
});

test('a therapist takes tables out, and brings a child’s FHIR in by a file', async ({ page }) => {
  await signIn(page, 'therapist');
  await confirmFor(page, '/settings/data', served().therapist.password);
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'goals.csv' }).click();
  const read = readOpenCsv(OPEN_TABLES.goals, readFileSync(await (await saved).path(), 'utf8'));
  expect(read.ok && read.rows.length).toBeGreaterThan(10);
  const [from, to] = [await childIdOf('Per H.'), await childIdOf('Dagny E.')];
  const file = await page.request.get(`/students/${from}/export?as=fhir`);
  await page.goto(`/students/${to}/fhir`);
  await page.locator('input[type=file]').setInputFiles({ name: 'per.json', mimeType: 'application/json', buffer: await file.body() });
  await expect(page.getByText('The file is about Per H.')).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Observation' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Import what is checked/ })).toBeDisabled();
  await page.getByRole('checkbox', { name: /I checked/ }).check();
  await page.getByRole('button', { name: /Import what is checked/ }).click();
  await expect(page.getByText(/^Imported: \d+ goals?, \d+ tasks? onto the draft/)).toBeVisible();
  await page.reload();
  await page.getByText('Or paste the text').click();
  await page.getByLabel('The file’s text').fill('{"resourceType":');
  await page.getByRole('button', { name: 'Preview' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'This file is not JSON' })).toBeVisible();
});
