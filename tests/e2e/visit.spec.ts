import { ask, childIdOf, expect, forgetSignIns, signIn, test } from './app';

test.use({ viewport: { width: 390, height: 844 }, serviceWorkers: 'allow' });

test('a trial sheet at a school: counted by touch, written down without a network, over a reload, and taken in once there is one', async ({
  page,
  context,
}) => {
  const childId = await childIdOf('Kasimir D.');
  const [goal] = await ask<{ id: number; statement: string; school: string }>(
    `SELECT g.id, JSON_VALUE(v.content, '$.statement') AS statement, s.name AS school FROM goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version
     JOIN children c ON c.id = g.child_id JOIN schools s ON s.id = c.school_id WHERE g.child_id = ? AND JSON_VALUE(v.content, '$.measure.kind') = 'count' LIMIT 1`,
    [childId],
  );
  const measured = () =>
    ask<{ good: number; trials: number; help: string }>('SELECT good, trials, help FROM measurements WHERE goal_id = ? ORDER BY id', [
      goal!.id,
    ]);
  const before = (await measured()).length;
  await signIn(page);
  const sheet = `/visit/school?name=${encodeURIComponent(goal!.school)}`;
  await page.goto(sheet);
  // The page, and the parts that it is made of, are kept on the phone.
  await expect.poll(() => page.evaluate(async () => (await (await caches.open('yard-visit-pages')).keys()).length)).toBeGreaterThan(0);
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const kept = (await (await caches.open('yard-visit-parts')).keys()).map(({ url }) => url);
        const needed = [...document.scripts]
          .filter(({ noModule }) => !noModule)
          .map(({ src }) => src)
          .filter((src) => src.includes('/_next/static/'));
        return needed.filter((src) => !kept.includes(src));
      }),
    )
    .toEqual([]);
  await context.setOffline(true);
  await page.reload();
  await page.getByRole('button', { name: new RegExp(`^Kasimir D\\. ${goal!.statement.slice(0, 20)}`) }).click();
  const good = page.getByRole('button', { name: /Good/ });
  await good.click();
  await good.click();
  await page.keyboard.press('x');
  await page.keyboard.press('x');
  await page.keyboard.press('z');
  await expect(page.getByRole('status', { name: '2 good of 3' })).toBeVisible();
  // A phone that throws the page away throws away nothing that was counted.
  page.once('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(page.getByRole('status', { name: '2 good of 3' })).toBeVisible();
  await page.getByRole('group', { name: 'Help' }).getByRole('button').first().click();
  await page.getByRole('button', { name: /Save/ }).click();
  await expect(page.getByText('1 not sent yet, saved on this device. Sending starts when you are online.')).toBeVisible();
  // Nothing is lost by a reload in the cellar.
  await page.reload();
  await expect(page.getByText('1 not sent yet, saved on this device. Sending starts when you are online.')).toBeVisible();
  expect(await measured()).toHaveLength(before);
  await context.setOffline(false);
  await page.evaluate(() => dispatchEvent(new Event('online')));
  await expect(page.getByText(/waits? on this device/)).toHaveCount(0);
  const after = await measured();
  expect(after).toHaveLength(before + 1);
  expect(after.at(-1)).toMatchObject({ good: 2, trials: 3, help: 'handOverHand' });
  // Who signs out leaves no child's name on the device.
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out here' }).click();
  await expect(page).toHaveURL(/sign-in/);
  forgetSignIns();
  await expect.poll(() => page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('yard-visit')))).toEqual([]);
});

test('what was refused is said, and nobody else’s is sent or shown', async ({ page }) => {
  await signIn(page);
  await page.goto('/visit/school');
  const [ines] = await ask<{ id: number }>("SELECT id FROM people WHERE name = 'Ines Calloway-Brandt'");
  const entry = (childId: number) => ({ entryKey: crypto.randomUUID(), childId, says: 'Somebody: a goal', fault: null, measurement: {} });
  await page.evaluate(
    ([own, foreign]) => {
      localStorage.setItem(own!.key, JSON.stringify([own!.entry]));
      localStorage.setItem(foreign!.key, JSON.stringify([foreign!.entry]));
    },
    [
      { key: `yard-visit:${ines!.id}`, entry: entry(1) },
      { key: `yard-visit:${ines!.id + 1}`, entry: entry(2) },
    ],
  );
  await page.reload();
  await expect(page.getByRole('alert').filter({ hasText: 'Somebody: a goal: not accepted.' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(page.getByText('Somebody: a goal')).toHaveCount(0);
  expect(await page.evaluate((key) => localStorage.getItem(key), `yard-visit:${ines!.id + 1}`)).toContain('Somebody');
});
