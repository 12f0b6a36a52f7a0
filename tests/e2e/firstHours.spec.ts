import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:http2';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { freePort } from '../../scripts/ports';
import { waitFor } from '../../scripts/processes';
import { PROXY, startNginx } from './nginx';
import { yard, type Serving } from './serving';
import { expect, newPage, rowsAt, sendReport, test, toCount, toHow } from './app';

const PASSWORD = 'one step at a time';
const OPEN = /Press Ctrl-C to stop/;

/** The keys of one row of a form: what is typed in each field, a Tab between. */
async function type(page: Page, ...fields: readonly string[]): Promise<void> {
  for (const [index, text] of fields.entries()) {
    if (index > 0) await page.keyboard.press('Tab');
    if (text) await page.keyboard.type(text);
  }
}

/** Goes by Tab to what a person would see next, as far as a person would go. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  await target.waitFor();
  const isThere = () => target.evaluate((element) => element === document.activeElement);
  for (let pressed = 0; !(await isThere()); pressed += 1) {
    expect(pressed, `Tab reaches ${target}`).toBeLessThan(160);
    await page.keyboard.press('Tab');
  }
}

/** Over what stands in a field. */
async function typeAnew(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press('Control+a');
  await page.keyboard.type(text);
}

async function findAndGo(page: Page, what: string): Promise<void> {
  // A key that comes before the page listens is pressed again, as a person does.
  await expect(async () => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 2_000 });
  }).toPass({ timeout: 20_000 });
  await page.keyboard.type(what);
  await page.keyboard.press('Enter');
}

/** Over HTTP/2, whose end of the connection negotiated it. */
function overHttp2(
  origin: string,
  address: string,
  headers: Record<string, string> = {},
): Promise<{ status: number; protocol: string | undefined; secure: string }> {
  return new Promise((resolve, reject) => {
    const session = connect(origin, { rejectUnauthorized: false });
    session.once('error', reject);
    const request = session.request({ ':path': address, ...headers });
    request.once('response', (answer) => {
      const protocol = session.alpnProtocol;
      request.resume();
      request.once('end', () => session.close());
      resolve({ status: Number(answer[':status']), protocol, secure: String(answer['strict-transport-security']) });
    });
    request.end();
  });
}

test('from an empty database to the first family’s report, by keyboard, behind a TLS proxy with two web processes; stopped under load and restored', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-first-'));
  // The database runs as a user of its own, which has to find its folder.
  chmodSync(folder, 0o711);
  const [port, tlsPort] = [await freePort(), await freePort()];
  const origin = `https://127.0.0.1:${tlsPort}`;
  const config = path.join(folder, 'yard.config.json');
  const data = path.join(folder, 'data');
  writeFileSync(config, JSON.stringify({ listen: { port }, publicAddress: origin, dataFolder: data, trustProxy: [PROXY], processes: 2 }));
  const nginx = startNginx(folder, tlsPort, port);
  let served: Serving = yard('serve', '--config', config);
  const page = await newPage(browser, {
    ignoreHTTPSErrors: true,
    viewport: { width: 1280, height: 800 },
    extraHTTPHeaders: { 'x-forwarded-for': '6.6.6.6' },
  });
  page.setDefaultTimeout(10_000);
  try {
    await expect.poll(() => served.said(), { timeout: 90_000 }).toMatch(OPEN);
    const link = served.said().match(/https:\S+\/set-up\/\S+/)![0];
    expect(link.startsWith(origin)).toBe(true);
    expect(await overHttp2(origin, '/sign-in')).toEqual({ status: 200, protocol: 'h2', secure: 'max-age=31536000' });

    // 1. Own account and workplace.
    await page.goto(link);
    await type(page, 'Ines Calloway-Brandt', 'ines@tarrowhill.example', PASSWORD);
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/caseload$/);
    const cookie = (await page.context().cookies(origin)).find(({ name }) => name === '__Host-yard')!;
    expect([cookie.secure, cookie.httpOnly, cookie.sameSite]).toEqual([true, true, 'Lax']);

    // 2. The school year.
    await findAndGo(page, 'school year');
    await expect(page.getByLabel('First day of school')).toBeFocused();
    const year = new Date().getFullYear();
    await page.keyboard.type(`0101${year}`);
    await tabTo(page, page.getByLabel('Last day of school'));
    await page.keyboard.type(`1231${year}`);
    await expect(page.getByText(/\d+ school days/).last()).toBeVisible();
    await page.keyboard.press('Control+Enter');
    await expect(page).toHaveURL(/\/settings$/);
    await expect(page.getByText(/January 1 to December 31/)).toBeVisible();
    // Where the session is from, as the proxy saw it, and not as the browser wrote it.
    await expect(page.getByText('127.0.0.1', { exact: false }).first()).toBeVisible();
    await expect(page.getByText('6.6.6.6')).toHaveCount(0);

    // 4. A child, by form.
    await findAndGo(page, 'add a student');
    await expect(page.getByLabel('Name used at school')).toBeFocused();
    await type(page, 'Odalys', 'V', `0920${year - 5}`);
    await tabTo(page, page.getByLabel('School', { exact: true }));
    await type(page, 'Millbeck Early Learning Center', 'left');
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Odalys V.');
    await expect(page.getByText('left hand')).toBeVisible();

    // A goal from the bank.
    await page.keyboard.press('g');
    await expect(page.getByLabel('Start from the goal bank (optional)')).toBeFocused();
    await page.keyboard.type('grading of force');
    await expect(page.getByLabel('What the student does')).toHaveValue(
      'Grades force to carry small items with tongs without dropping or crushing them',
    );
    await typeAnew(page, page.getByLabel('Now', { exact: true }), '9');
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('alert').first()).toContainText('The criterion is not above the baseline.');
    await typeAnew(page, page.getByLabel('Now', { exact: true }), '3');
    await page.keyboard.press('Control+Enter');
    await expect(page.getByText('From 3 of 10 to 8 of 10 trials across 3 consecutive sessions, with verbal cues or less.')).toBeVisible();

    // The first program.
    await page.keyboard.press('b');
    await expect(page.getByText(/best match first/)).toBeVisible();
    await page.keyboard.press('/');
    await page.keyboard.type('crane lift');
    await tabTo(page, page.getByRole('button', { name: /^Crane lift/ }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('article', { name: 'Crane lift' })).toBeVisible();
    const cautions = page.getByLabel(/I have read the/);
    await tabTo(page, cautions);
    await page.keyboard.press('Space');
    await tabTo(page, page.getByRole('button', { name: 'Send as version 1' }));
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/messages\?phone=/);
    // The post waits some minutes; sent at once where nothing waits.
    await page.keyboard.press('0');
    await typeAnew(page, page.getByLabel('Minutes that a message waits'), '0');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Minutes that a message waits')).toHaveValue('0');
    await findAndGo(page, 'Odalys');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Odalys V.');
    // No text service is set up: the page says so, and the therapist hands the link over.
    await expect(page.getByText('so nothing can be sent. Give Odalys’s family the link yourself.')).toBeVisible();
    await tabTo(page, page.getByRole('button', { name: 'Create a link' }));
    await page.keyboard.press('Enter');
    await expect(async () => {
      await page.reload();
      await expect(page.getByRole('button', { name: 'Copy the link' })).toBeVisible({ timeout: 1_000 });
    }).toPass({ timeout: 20_000 });
    await page.getByText('Show the QR code').click();
    const privateLink = await page.getByLabel('The link', { exact: true }).inputValue();
    expect(privateLink).toContain(`${origin}/f/`);
    await page.goto(`${origin}/messages`);
    await expect(page.getByText('No text service is set up, so no texts are sent')).toBeVisible();
    await expect(page.getByRole('cell', { name: 'not sent' }).first()).toBeVisible();

    // The family's first report.
    const family = await newPage(browser, { ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } });
    family.setDefaultTimeout(10_000);
    await family.goto(`${privateLink}?lang=en`);
    await family
      .getByRole('link', { name: /Crane lift/ })
      .first()
      .click();
    const task = family.url();

    await toCount(family);
    await family.getByLabel(/Left hand/).fill('4');
    await family.getByLabel(/Right hand/).fill('4');
    await toHow(family);
    await family.getByText('No help').click();
    await family.getByText('Just right').click();
    await sendReport(family);
    await expect(family.getByText('Thank you. It is saved.').first()).toBeVisible();
    await page.goto(`${origin}/caseload`);
    await expect(page.getByText('1 reported this week')).toBeVisible();

    // Tries are counted by both processes together: the ninth is refused, whichever answers.
    const stranger = await newPage(browser, { ignoreHTTPSErrors: true });
    for (let time = 1; time <= 9; time += 1) {
      await stranger.goto(`${origin}/sign-in`);
      await stranger.getByLabel('Address').fill('nobody@tarrowhill.example');
      await stranger.getByLabel('Password').fill(`guess ${time}`);
      await stranger.keyboard.press('Enter');
      await expect(stranger.getByRole('alert').first()).toContainText(time <= 8 ? 'do not match' : 'Too many attempts');
    }

    // Stopped under load: every report that was acknowledged is there.
    const versionTaskId = task.match(/task\/(\d+)/)![1]!;
    const acknowledged: string[] = [];
    let isLoading = true;
    const load = Array.from({ length: 6 }, async () => {
      while (isLoading) {
        const idempotencyKey = randomUUID();
        const body = new URLSearchParams({ idempotencyKey, versionTaskId, done: 'no', notDone: 'time', lang: 'en' });
        // Straight to the web processes, as the proxy asks them.
        const answer = await fetch(`http://127.0.0.1:${port}${new URL(privateLink).pathname}/report`, {
          method: 'POST',
          body,
          redirect: 'manual',
        }).catch(() => null);
        if (answer?.status === 303) acknowledged.push(idempotencyKey);
      }
    });
    await waitFor('reports to come in', () => acknowledged.length > 40, 20_000);
    served.process.kill('SIGTERM');
    expect(await served.ended).toBe(0);
    isLoading = false;
    await Promise.all(load);

    // A backup of it all, restored onto an empty machine: the same link opens there.
    const file = path.join(folder, 'all.backup');
    const passphraseFile = path.join(folder, 'passphrase');
    writeFileSync(passphraseFile, 'a plank and a peg\n');
    const kept = yard('backup', file, '--config', config, '--passphrase-file', passphraseFile);
    expect([await kept.ended, kept.said()]).toEqual([0, expect.stringContaining('It is encrypted')]);
    const elsewhere = path.join(folder, 'elsewhere.json');
    writeFileSync(
      elsewhere,
      JSON.stringify({ listen: { port }, publicAddress: origin, dataFolder: path.join(folder, 'elsewhere'), trustProxy: [PROXY] }),
    );
    const locked = yard('restore', file, '--config', elsewhere);
    expect([await locked.ended, locked.said()]).toEqual([1, expect.stringContaining('Name the file of its passphrase')]);
    const restored = yard('restore', file, '--config', elsewhere, '--passphrase-file', passphraseFile);
    expect([await restored.ended, restored.said()]).toEqual([0, expect.stringContaining('Links that were open then open again')]);
    served = yard('serve', '--config', elsewhere);
    await expect.poll(() => served.said(), { timeout: 90_000 }).toMatch(OPEN);
    const there = await rowsAt<{ idempotency_key: string }>(
      readFileSync(path.join(folder, 'elsewhere', 'database-address'), 'utf8'),
      'SELECT idempotency_key FROM reports',
    );
    const keys = new Set(there.map((row) => row.idempotency_key));
    expect(acknowledged.filter((key) => !keys.has(key))).toEqual([]);
    await family.goto(`${privateLink}?lang=en`);
    await expect(family.getByRole('link', { name: /Crane lift/ }).first()).toBeVisible();
    await page.goto(`${origin}/caseload`);
    await expect(page.getByRole('link', { name: 'Odalys V.' })).toBeVisible();
  } finally {
    served.process.kill('SIGTERM');
    await served.ended;
    nginx.kill('SIGTERM');
    rmSync(folder, { recursive: true, force: true });
  }
});
