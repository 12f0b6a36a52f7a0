import type { APIRequestContext, Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { signText } from '../fixtures/signText';
import { ask, beginAnew, expect, now, served, signIn, test, ZONE } from './app';

/** What the stack of these tests believes texts by. */
const KEY = 'a key of the tests';
/** Spanish-speaking, with the crane in its program. */
const FAMILY = 'Odalys V.';
const CRANE = 'crane left 5 right 4';

const isSaved = (text: string) => text.includes('Yard Steps: guardado');

const reportsOf = (childId: number) =>
  ask<{ l: number; r: number }>('SELECT left_count AS l, right_count AS r FROM reports WHERE child_id = ? ORDER BY done_on', [childId]);

async function onPhone(page: Page, childId: number) {
  await page.goto(`/messages?phone=${childId}`);
  return page.getByRole('list', { name: 'Texts on the phone' });
}

async function writeAsFamily(page: Page, childId: number, text: string): Promise<void> {
  await onPhone(page, childId);
  await page.getByLabel('Write as the family').fill(text);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByLabel('Write as the family')).toHaveValue('');
}

async function writeToFamily(page: Page, childId: number, words: string): Promise<void> {
  await onPhone(page, childId);
  await page.getByLabel('Write to the family').fill(words);
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByLabel('Write to the family')).toHaveValue('');
}

/** What a family reads, once the words are there: the phone is looked at again and again, as a person would. */
async function reads(page: Page, childId: number, words: string | RegExp): Promise<string[]> {
  let texts: string[] = [];
  await expect(async () => {
    texts = await (await onPhone(page, childId)).getByRole('listitem').allTextContents();
    expect(texts.some((text) => (typeof words === 'string' ? text.includes(words) : words.test(text)))).toBe(true);
  }).toPass({ timeout: 60_000 });
  return texts;
}

async function setNetwork(page: Page, childId: number, { fails = 0, delay = 0, bad = false }): Promise<void> {
  await onPhone(page, childId);
  await page.getByText('Simulated network').click();
  await page.getByLabel('Messages that fail the first time').fill(String(fails));
  await page.getByLabel('Seconds until a family’s text arrives').fill(String(delay));
  await page.getByLabel('Each text arrives twice').setChecked(bad);
  await page.getByLabel('Texts arrive in another order').setChecked(bad);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(async () => {
    await onPhone(page, childId);
    await page.getByText('Simulated network').click();
    await expect(page.getByLabel('Each text arrives twice')).toBeChecked({ checked: bad, timeout: 1_000 });
  }).toPass();
}

const setContact = (childId: number, change: Record<string, unknown>) =>
  ask('UPDATE children SET contacts = ? WHERE id = ?', [
    JSON.stringify([
      { name: 'Nana', relation: 'grandmother', language: 'en', way: 'text', reach: '', quiet: null, mayBeSent: 'practice', ...change },
    ]),
    childId,
  ]);

async function textFrom(request: APIRequestContext, from: string, text: string): Promise<void> {
  const body = JSON.stringify({ serviceKey: randomUUID(), from, text });
  const signature = signText(body, KEY, Math.floor(Date.now() / 1000));
  const answer = await request.post(`${served().url}/api/texts`, {
    data: Buffer.from(body),
    headers: { 'content-type': 'application/json', 'yard-signature': signature },
  });
  expect(await answer.json()).toEqual({ fresh: true });
}

test.describe('the pretend phone on a bad day', () => {
  test.setTimeout(180_000);

  test('late, twice, in another order, failing: each text is one report and one answer', async ({ page }) => {
    const childId = await beginAnew(FAMILY);
    await signIn(page, 'therapist');
    await setNetwork(page, childId, { fails: 1, delay: 1, bad: true });
    const saved = async () => (await (await onPhone(page, childId)).getByRole('listitem').allTextContents()).filter(isSaved).length;
    const before = await saved();
    try {
      await writeAsFamily(page, childId, CRANE);
      await writeAsFamily(page, childId, 'ayer grúa izquierda 3 derecha 2');
      await expect.poll(saved, { timeout: 60_000 }).toBe(before + 2);
      // Both copies of both texts have come by the time that no text is on its way.
      await expect
        .poll(async () => (await ask<{ n: number }>("SELECT COUNT(*) AS n FROM jobs WHERE kind = 'incoming' AND done_at IS NULL"))[0]!.n, {
          timeout: 60_000,
        })
        .toBe(0);
      expect(await reportsOf(childId)).toEqual([
        { l: 3, r: 2 },
        { l: 5, r: 4 },
      ]);
      expect(await saved()).toBe(before + 2);
    } finally {
      await setNetwork(page, childId, {});
    }
  });

  test('quiet hours: what is written waits till they end, and the desk says till when', async ({ page }) => {
    const childId = await beginAnew(FAMILY);
    const wall = (minutes: number) =>
      new Intl.DateTimeFormat('en-GB', { timeZone: ZONE, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(
        now() + minutes * 60_000,
      );
    await setContact(childId, { reach: '+1 406 555 0177', quiet: { from: wall(-60), to: wall(90) } });
    await signIn(page, 'therapist');
    await writeToFamily(page, childId, 'Please have the tray ready.');
    const row = page.getByRole('region', { name: 'Sent messages' }).getByRole('row').filter({ hasText: 'Please have the tray ready.' });
    await expect(row.first()).toContainText('sending at');
    await expect(await onPhone(page, childId)).not.toContainText('Please have the tray ready.');
    await setContact(childId, {});
    // It would go out in an hour and a half; the tests after this one wait till all texts are out.
    await ask("DELETE FROM jobs WHERE kind = 'deliver' AND is_open = 1 AND run_after > ?", [new Date(now() + 60 * 60_000)]);
  });

  test('STOP is answered once and holds for all of ours; the desk says so; START begins again', async ({ page }) => {
    const childId = await beginAnew(FAMILY);
    await setContact(childId, { reach: '+1 406 555 0178' });
    await signIn(page, 'therapist');
    await writeAsFamily(page, childId, 'ALTO');
    await reads(page, childId, 'ya no recibirá mensajes en este número');
    await page.goto(`/students/${childId}/teachers`);
    await expect(page.getByText('This number replied STOP.')).toBeVisible();
    await writeToFamily(page, childId, 'Words that nobody wants.');
    const state = () =>
      ask<{ status: string }>("SELECT status FROM messages WHERE child_id = ? AND words = 'Words that nobody wants.'", [childId]);
    await expect.poll(async () => (await state())[0]?.status, { timeout: 30_000 }).toBe('withdrawn');
    await expect(await onPhone(page, childId)).not.toContainText('Words that nobody wants.');
    await writeAsFamily(page, childId, 'START');
    await reads(page, childId, /mensajes/);
    await writeToFamily(page, childId, 'Welcome words.');
    await reads(page, childId, 'Welcome words.');
  });

  test('two children on one number: nobody guesses whose; the name tells; harm closes both', async ({ page, request }) => {
    const number = '+1 406 555 0179';
    const [odalys, wren] = [await beginAnew(FAMILY), await beginAnew('Wren O.')];
    for (const childId of [odalys, wren]) await setContact(childId, { reach: number });
    await signIn(page, 'therapist');
    await textFrom(request, number, CRANE);
    await page.goto('/messages');
    const cameIn = page.getByRole('region', { name: 'Received texts' });
    await expect(cameIn.getByRole('row').filter({ hasText: CRANE }).first()).toContainText('needs your review');
    expect(await reportsOf(odalys)).toEqual([]);
    await textFrom(request, number, `Odalys ${CRANE}`);
    expect(await reportsOf(odalys)).toEqual([{ l: 5, r: 4 }]);
    expect(await reportsOf(wren)).toEqual([]);
    await textFrom(request, number, 'there is blood');
    for (const childId of [odalys, wren])
      expect((await ask('SELECT id FROM reports WHERE child_id = ? AND safety_word = 1', [childId])).length).toBeGreaterThan(0);
    await page.goto('/review');
    for (const name of [FAMILY, 'Wren O.']) await expect(page.getByRole('link', { name: `${name}: injury report` }).first()).toBeVisible();
    for (const childId of [odalys, wren]) await setContact(childId, {});
  });

  test('an unknown number is shown, files nothing, and opens nothing', async ({ page, request }) => {
    // Whoever supervises sees what belongs to nobody's child.
    await signIn(page, 'supervisor');
    const words = `crane 8 ${randomUUID().slice(0, 8)}`;
    await textFrom(request, '+1 406 555 0180', words);
    await page.goto('/messages');
    const row = page.getByRole('region', { name: 'Received texts' }).getByRole('row').filter({ hasText: words });
    await expect(row).toContainText('unknown sender');
    await expect(row).toContainText('the number is not on any student’s page');
  });
});
