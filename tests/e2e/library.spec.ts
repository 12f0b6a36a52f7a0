import { expect, signIn, test } from './app';

test.beforeEach(({ page }) => signIn(page));

test('the library answers what can be done with pegs and card; its state is in the address', async ({ page }) => {
  await page.goto('/tasks');
  await expect(page.getByText('75 of').or(page.getByText(/\d+ of \d+ tasks/))).toBeVisible();
  await page.getByLabel('at hand').selectOption('clothes-pegs');
  await page.getByLabel('and', { exact: true }).first().selectOption('card');
  await expect(page).toHaveURL(/hand1=clothes-pegs.*hand2=card/);
  await expect(page.getByRole('link', { name: 'Clip the plans' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Wheel', exact: true })).toBeHidden();
  await page.getByRole('link', { name: 'clear' }).click();
  await expect(page).toHaveURL(/\/tasks$/);
  await page.getByLabel('Skill', { exact: true }).selectOption('scissors');
  await expect(page.getByRole('link', { name: 'Wheel', exact: true })).toBeVisible();
  await page.getByLabel('no scissors').check();
  await expect(page.getByText('No task matches.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('No task matches.')).toBeVisible();
});

test('a task pack goes out, and a bad one is refused whole with every fault by its path', async ({ page }) => {
  await page.goto('/tasks');
  const answer = await page.request.get('/tasks/pack?slug=crane-lift');
  const pack = (await answer.json()) as { tasks: Record<string, unknown>[] };
  expect(pack.tasks).toHaveLength(1);
  const bad = { ...pack, tasks: [{ ...pack.tasks[0], slug: 'my-crane', skill: 'juggling', materials: [{ id: 'x' }] }] };
  const file = (content: object) => ({ name: 'pack.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(content)) });
  await page.getByLabel('Import a task pack').setInputFiles(file(bad));
  const alert = page.getByRole('alert').filter({ hasText: 'Nothing was imported.' });
  await expect(alert).toContainText('tasks.0.skill');
  await expect(alert).toContainText('tasks.0.materials.0.count');
  await page.getByLabel('Import a task pack').setInputFiles(file({ ...pack, tasks: [{ ...pack.tasks[0], slug: 'my-crane' }] }));
  await expect(page.getByText('Imported: my-crane.')).toBeVisible();
  await page.goto('/tasks/my-crane');
  await expect(page.getByText('made by Ines Calloway-Brandt, version 1')).toBeVisible();
  expect((await page.request.get('/tasks/schema')).ok()).toBe(true);
});
