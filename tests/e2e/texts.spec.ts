import AxeBuilder from '@axe-core/playwright';
import { signText } from '../fixtures/signText';
import { ask, beginAnew, expect, served, signIn, test } from './app';

const KEY = 'a key of the tests';
const seconds = () => Math.floor(Date.now() / 1000);

test('the pretend phone: a family writes in letters, is answered, and the report stands in the record', async ({ page }) => {
  const childId = await beginAnew('Odalys V.');
  await signIn(page, 'therapist');
  await page.goto(`/messages?phone=${childId}`);
  await page.getByLabel('Write as the family').fill('crane left 5 right 4, no help');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const phone = page.getByRole('list', { name: 'Texts on the phone' });
  await expect(async () => {
    await page.goto(`/messages?phone=${childId}`);
    await expect(phone).toContainText('Yard Steps: guardado. La grúa izquierda 5 derecha 4. ¡Gracias!', { timeout: 1_000 });
    // The phone keeps what older texts were answered; what came in is of this one alone.
    await expect(page.getByRole('region', { name: 'Received texts' })).toContainText('filed as a report', { timeout: 1_000 });
  }).toPass({ timeout: 20_000 });
  expect(await ask('SELECT left_count AS l, right_count AS r, help, way FROM reports WHERE child_id = ?', [childId])).toEqual([
    { l: 5, r: 4, help: 'alone', way: 'text' },
  ]);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test('a text of one’s own says how many messages it is while it is written, and never names the child', async ({ page }) => {
  const childId = await beginAnew('Odalys V.');
  await signIn(page, 'therapist');
  await page.goto(`/messages?phone=${childId}`);
  const words = page.getByLabel('Write to the family');
  await words.fill('a'.repeat(161));
  await expect(page.getByText('2 text messages, 145 letters left in the last.')).toBeVisible();
  await words.fill('How is Odalys?');
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText(/without the child’s name/)).toBeVisible();
  await expect(words).toHaveValue('How is Odalys?');
});

test('a text service is believed by its signature alone, and brings a text once', async ({ request }) => {
  const childId = await beginAnew('Odalys V.');
  const send = (body: string, header: string | undefined) =>
    request.post(`${served().url}/api/texts`, {
      data: Buffer.from(body),
      headers: { 'content-type': 'application/json', ...(header && { 'yard-signature': header }) },
    });
  const text = JSON.stringify({ serviceKey: `e2e-${childId}-${Date.now()}`, from: `family-${childId}`, text: 'crane 10 of 10' });
  expect((await send(text, undefined)).status()).toBe(401);
  expect((await send(text, signText(text, 'another key', seconds()))).status()).toBe(401);
  expect((await send(text, signText(text, KEY, seconds() - 3_600))).status()).toBe(401);
  expect(await ask('SELECT COUNT(*) AS n FROM reports WHERE child_id = ?', [childId])).toEqual([{ n: 0 }]);
  const signed = signText(text, KEY, seconds());
  expect(await (await send(text, signed)).json()).toEqual({ fresh: true });
  expect(await (await send(text, signed)).json()).toEqual({ fresh: false });
  expect(await ask('SELECT CAST(amount AS DOUBLE) AS n FROM reports WHERE child_id = ?', [childId])).toEqual([{ n: 10 }]);
  for (const body of ['no JSON', '{}', '[]', '{"serviceKey":"","from":"x","text":"y"}'])
    expect((await send(body, signText(body, KEY, seconds()))).status()).toBe(422);
});
