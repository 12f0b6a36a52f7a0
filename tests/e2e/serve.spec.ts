import { chmodSync, copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { homeOf } from '../../scripts/mariadb';
import { freePort } from '../../scripts/ports';
import { yard, yardWith, type Serving } from './serving';
import { ask, expect, newPage, rowsAt, served, STACK_FOLDER, test } from './app';

/** The same request, sent to another machine under the name of the first, as a proxy does. */
function askOther(other: URL, url: string, headers: Record<string, string>, sent: Buffer | null) {
  return new Promise<{ status: number; headers: Record<string, string>; body: Buffer }>((resolve, reject) => {
    const own = Object.fromEntries(Object.entries(headers).filter(([name]) => !name.startsWith(':')));
    const { pathname, search, host } = new URL(url);
    const asked = request({ host: other.hostname, port: other.port, path: pathname + search, method: 'POST', headers: { ...own, host } });
    asked.once('error', reject);
    asked.once('response', (answer) => {
      const chunks: Buffer[] = [];
      answer.on('data', (chunk: Buffer) => chunks.push(chunk));
      answer.once('end', () => {
        const told = Object.entries(answer.headers).map(([name, value]) => [name, [value].flat().join('\n')]);
        resolve({ status: answer.statusCode!, headers: Object.fromEntries(told), body: Buffer.concat(chunks) });
      });
    });
    asked.end(sent ?? undefined);
  });
}

const serve = (config: string) => yard('serve', '--config', config);

test('an empty start: a one-time link, the first account by keyboard, a colleague by invitation; the second start offers no other', async ({
  page,
  browser,
}) => {
  test.setTimeout(300_000);
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-serve-'));
  // The database runs as a user of its own, which has to find its folder.
  chmodSync(folder, 0o711);
  const config = path.join(folder, 'yard.config.json');
  const port = await freePort();
  const metricsPort = await freePort();
  const settings = { listen: { port }, dataFolder: path.join(folder, 'data'), metrics: { port: metricsPort } };
  writeFileSync(config, JSON.stringify({ ...settings, colour: 'green' }));
  const refused = serve(config);
  expect(await refused.ended).toBe(1);
  expect(refused.said()).toContain('colour');

  writeFileSync(config, JSON.stringify(settings));
  let serving = serve(config);
  try {
    await expect.poll(() => serving.said(), { timeout: 100_000 }).toContain('Press Ctrl-C to stop');
    const link = serving.said().match(/http\S+\/set-up\/\S+/)![0];
    await page.goto(link);
    await expect(page.getByRole('heading', { name: 'Set up Yard Steps' })).toBeVisible();
    await expect(page.getByLabel('Time zone of the school')).not.toHaveValue('');
    await page.keyboard.type('Ines Calloway-Brandt');
    await page.keyboard.press('Tab');
    await page.keyboard.type('ines@tarrowhill.example');
    await page.keyboard.press('Tab');
    await page.keyboard.type('ines calloway-brandt');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').first()).toContainText('The password contains your name or email');
    // What was written stands there still; the password is asked for anew, and has the focus.
    await expect(page.getByLabel('Your name')).toHaveValue('Ines Calloway-Brandt');
    await expect(page.getByLabel('Password')).toBeFocused();
    await page.keyboard.type('one step at a time');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/caseload$/);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('0 students');
    await expect(page.getByText('You have no students yet.')).toBeVisible();
    await page.goto(`http://127.0.0.1:${port}/tasks?search=crane`);
    await expect(page.getByRole('link', { name: /Crane lift/ }).first()).toBeVisible();
    await page.goto(link);
    await expect(page.getByRole('alert').first()).toContainText('This link was already used');

    await page.goto(`http://127.0.0.1:${port}/settings`);
    await page.getByLabel('Invite').selectOption('assistant');
    await page.getByRole('button', { name: 'Make a one-time link' }).click();
    const invited = await page.getByLabel('One-time link').inputValue();
    await expect(page.getByText('an open invitation, assistant')).toBeVisible();
    await page.getByLabel('Present password').fill('one step at a time');
    await page.getByLabel('New password').fill('four words and a plank');
    await page.getByRole('button', { name: 'Change it' }).click();
    await expect(page.getByText('Your password is changed.')).toBeVisible();
    const colleague = await newPage(browser);
    await colleague.goto(invited);
    await expect(colleague.getByRole('heading', { name: 'Your account' })).toBeVisible();
    await expect(colleague.getByLabel('Time zone of the school')).toHaveCount(0);
    await colleague.getByLabel('Your name').fill('Teodor Wray');
    await colleague.getByLabel('Email address').fill('teodor@tarrowhill.example');
    await colleague.getByLabel('Password').fill('a saw, a square, a pencil');
    await colleague.getByRole('button', { name: 'Start' }).click();
    await expect(colleague).toHaveURL(/\/caseload$/);

    // Prometheus reads figures at a port of its own, with no student and no token among them.
    const figures = await (await fetch(`http://127.0.0.1:${metricsPort}/metrics`)).text();
    expect(figures).toContain('yard_database_up 1');
    expect(Number(/^yard_worker_silent_seconds (\S+)$/m.exec(figures)![1])).toBeLessThan(60);
    expect(figures).toMatch(/^yard_request_seconds_count\{lane="acts",status="[23]xx"\} \d+$/m);
    expect(figures).not.toMatch(/Ines|Teodor|tarrowhill|\/f\/|set-up/);

    // A port that is taken is an error; a database that people work in is not the demo's to throw away.
    writeFileSync(path.join(folder, 'other.json'), JSON.stringify({ ...settings, dataFolder: path.join(folder, 'other') }));
    const second = serve(path.join(folder, 'other.json'));
    expect([await second.ended, second.said()]).toEqual([1, expect.stringContaining(`Something listens on port ${port} already`)]);
    const databaseUrl = readFileSync(path.join(folder, 'data', 'database-address'), 'utf8');
    const people = await rowsAt(databaseUrl, 'SELECT email FROM people ORDER BY id');
    for (const words of [['--fresh'], []]) {
      const demo = yardWith({ YARD_DATABASE_URL: databaseUrl }, 'demo', ...words, '--port', String(await freePort()));
      expect([await demo.ended, demo.said()]).toEqual([
        1,
        expect.stringMatching(/not created by the demo|This database has real accounts/),
      ]);
    }
    expect(await rowsAt(databaseUrl, 'SELECT email FROM people ORDER BY id')).toEqual(people);
    const verified = yard('audit', 'verify', '--config', config);
    expect([await verified.ended, verified.said()]).toEqual([0, expect.stringContaining('entries are complete and unchanged')]);

    serving.process.kill('SIGTERM');
    expect(await serving.ended).toBe(0);
    serving = serve(config);
    await expect.poll(() => serving.said(), { timeout: 100_000 }).toContain('Press Ctrl-C to stop');
    expect(serving.said()).not.toContain('set-up');
  } finally {
    serving.process.kill('SIGTERM');
    await serving.ended;
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a database of one’s own with two accounts: one owns the schema, the other serves and changes neither schema nor trail', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const owner = new URL(served().databaseUrl);
  owner.pathname = '/yard_own_two';
  await ask('CREATE OR REPLACE DATABASE yard_own_two CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
  const run = new URL(owner);
  const kept = readFileSync(path.join(homeOf(`${STACK_FOLDER}/mariadb`), 'credentials.json'), 'utf8');
  const account = (JSON.parse(kept) as { run: { user: string; password: string } }).run;
  Object.assign(run, { username: account.user, password: account.password });
  const folder = mkdtempSync(path.join(tmpdir(), 'yard-own-'));
  const config = path.join(folder, 'yard.config.json');
  const port = await freePort();
  const settings = { listen: { port }, dataFolder: path.join(folder, 'data'), database: run.href, databaseOwner: owner.href };
  writeFileSync(config, JSON.stringify(settings));
  const serving = serve(config);
  let second: Serving | null = null;
  try {
    await expect.poll(() => serving.said(), { timeout: 100_000 }).toContain('Press Ctrl-C to stop');
    await page.goto(serving.said().match(/http\S+\/set-up\/\S+/)![0]);
    await expect(page.getByRole('heading', { name: 'Set up Yard Steps' })).toBeVisible();
    expect(await rowsAt(run.href, 'SELECT COUNT(*) AS count FROM people')).toEqual([{ count: 0 }]);
    for (const sql of ['DELETE FROM audit', 'DROP TABLE audit', 'ALTER TABLE people ADD COLUMN more INT'])
      await expect(rowsAt(run.href, sql)).rejects.toThrow(/denied/);

    // A second machine of the same build, with the same secret of links: what the first drew, it answers.
    const secondFolder = path.join(folder, 'second');
    mkdirSync(secondFolder);
    copyFileSync(path.join(folder, 'data', 'link-secret'), path.join(secondFolder, 'link-secret'));
    const secondConfig = path.join(folder, 'second.json');
    const address = new URL(page.url()).host;
    writeFileSync(
      secondConfig,
      JSON.stringify({ ...settings, listen: { port: await freePort() }, dataFolder: secondFolder, allowedHosts: [address] }),
    );
    second = serve(secondConfig);
    await expect.poll(() => second!.said(), { timeout: 100_000 }).toContain('Press Ctrl-C to stop');
    // A start of a database that nobody has begun with makes another link; the page of it is drawn by the first machine.
    const other = new URL(second.said().match(/http\S+\/set-up\/\S+/)![0]);
    await page.goto(new URL(other.pathname, page.url()).href);
    await page.getByLabel('Your name').fill('Ines Calloway-Brandt');
    await page.getByLabel('Email address').fill('ines@tarrowhill.example');
    await page.getByLabel('Password').fill('one step at a time');
    // The proxy in front of them sends the act to the other machine.
    let answeredBy = 0;
    await page.route('**/set-up/**', async (route) => {
      const asked = route.request();
      if (asked.method() !== 'POST') return route.continue();
      const { status, headers, body } = await askOther(other, asked.url(), await asked.allHeaders(), asked.postDataBuffer());
      answeredBy = status;
      return route.fulfill({ status, headers, body });
    });
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/caseload$/);
    expect([200, 303]).toContain(answeredBy);
    expect(await rowsAt(run.href, 'SELECT email FROM people')).toEqual([{ email: 'ines@tarrowhill.example' }]);
  } finally {
    second?.process.kill('SIGTERM');
    await second?.ended;
    serving.process.kill('SIGTERM');
    await serving.ended;
    await ask('DROP DATABASE yard_own_two');
    rmSync(folder, { recursive: true, force: true });
  }
});
