import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, request as httpRequest, type Server } from 'node:http';
import { createInterface, type Interface } from 'node:readline';
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import mariadb from 'mariadb';
import {
  expect,
  test,
  ask,
  beginAnew,
  childIdOf,
  linkOf,
  openTask,
  reportCount,
  sendReport,
  served,
  signIn,
  type Served,
  newPage,
} from './app';

const FOLDER = '.data/e2e-faults';

/** A stack of this file's own, whose parts can be broken and mended. */
let helper: ChildProcess;
let lines: Interface;
/** What the stack's processes wrote to their logs. */
const log: string[] = [];
const everSaid: string[] = [];
/** What a family wrote in each report of these tests. */
const WORDS = 'el gato verde duerme';
let stack: Served;

function said(words: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const listen = (line: string) => {
      if (line !== words) return;
      lines.off('line', listen);
      resolve();
    };
    lines.on('line', listen);
    helper.once('exit', () => reject(new Error(`the stack ended before it said "${words}"`)));
  });
}

async function tell(words: string): Promise<void> {
  const done = said(`done ${words}`);
  helper.stdin!.write(`${words}\n`);
  await done;
}

test.beforeAll(async () => {
  test.setTimeout(120_000);
  const port = Number(process.env.YARD_E2E_PORT) + 100 + Number(process.env.TEST_PARALLEL_INDEX);
  helper = spawn(process.execPath, ['scripts/run.mjs', 'scripts/serveForTests.ts', FOLDER, String(port), '.data/e2e-seed'], {
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  createInterface({ input: helper.stderr! }).on('line', (line) => {
    log.push(line);
    everSaid.push(line);
  });
  lines = createInterface({ input: helper.stdout! });
  await said('ready');
  stack = served(FOLDER);
});

test.afterAll(async () => {
  const ended = new Promise((resolve) => helper.once('exit', resolve));
  helper.kill('SIGTERM');
  await ended;
});

test.describe.configure({ mode: 'serial' });

test('the database is away for ten seconds: clear pages, nothing lost, everything comes back by itself', async ({ page, browser }) => {
  test.setTimeout(120_000);
  await signIn(page, 'therapist', stack);
  const plain = await newPage(browser, { javaScriptEnabled: false });
  const scripted = await newPage(browser);
  await beginAnew('Wren O.', stack);
  await beginAnew('Silas Y.', stack);
  const before = { plain: await reportCount('Wren O.', stack), scripted: await reportCount('Silas Y.', stack) };
  await plain.goto(`${linkOf('Wren O.', stack)}?lang=en`);
  await openTask(plain);
  await plain.locator('input[inputmode=numeric]').first().fill('3');
  await scripted.goto(`${linkOf('Silas Y.', stack)}?lang=en`);
  await openTask(scripted);
  await scripted.locator('input[inputmode=numeric]').first().fill('4');

  const awayFrom = Date.now();
  await tell('stop database');
  expect((await page.goto(`${stack.url}/caseload`))!.status()).toBe(503);
  await expect(page.getByRole('alert').first()).toContainText(
    'We can’t reach our records right now. Nothing is lost. This page will try again on its own.',
  );
  expect(log.filter((line) => line.includes('"name":"yard"') && line.includes('"msg":"databaseAway"')).length).toBeGreaterThan(0);
  expect((await page.request.get(`${stack.url}/api/health`)).status()).toBe(503);
  await sendReport(plain);
  await expect(plain.getByRole('alert').first()).toContainText('Your text is kept on this page.');
  await sendReport(scripted);
  await expect(scripted.getByRole('status').filter({ hasText: /./ }).first()).toContainText('It is saved on this phone');
  await expect.poll(() => Date.now() - awayFrom, { timeout: 15_000 }).toBeGreaterThan(10_000);
  await tell('start database');

  await expect(page.getByRole('heading', { name: '48 students' })).toBeVisible({ timeout: 20_000 });
  await plain.getByRole('button', { name: 'Try again' }).click();
  await expect(plain.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Thank you. It is saved.');
  await expect(scripted.getByRole('status').filter({ hasText: /./ }).first()).toContainText('Sent.', { timeout: 20_000 });
  expect({ plain: await reportCount('Wren O.', stack), scripted: await reportCount('Silas Y.', stack) }).toEqual({
    plain: before.plain + 1,
    scripted: before.scripted + 1,
  });
  expect((await page.request.get(`${stack.url}/api/health`)).status()).toBe(200);
});

/** What a family's page would send, once and again with the same key. */
async function reportFor(child: string): Promise<{ address: string; body: string }> {
  const [task] = await ask<{ id: number }>(
    'SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id WHERE p.child_id = ? AND v.number = p.current_version LIMIT 1',
    [await childIdOf(child, stack)],
    stack,
  );
  const body = new URLSearchParams({
    idempotencyKey: randomUUID(),
    versionTaskId: String(task!.id),
    done: 'yes',
    amount: '5',
    words: WORDS,
  }).toString();
  return { address: `${linkOf(child, stack)}/report`, body };
}

function post(address: string, body: string): Promise<number | 'cut off'> {
  return fetch(address, {
    method: 'POST',
    body,
    redirect: 'manual',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
  }).then(
    (answer) => answer.status,
    () => 'cut off',
  );
}

/** Between phone and server: passes the question on and keeps the answer back, as a dying line does. */
function answerlessLine(): Promise<{ server: Server; port: number }> {
  const upstream = new URL(stack.url);
  const server = createServer((incoming, outgoing) => {
    const passed = httpRequest({
      host: upstream.hostname,
      port: upstream.port,
      method: incoming.method,
      path: incoming.url,
      headers: { ...incoming.headers, host: upstream.host },
    });
    passed.on('error', () => outgoing.destroy());
    incoming.pipe(passed);
  });
  return new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve({ server, port: (server.address() as { port: number }).port })),
  );
}

test('the server is killed after the report was written and before its answer: the repeat makes no second one', async () => {
  await beginAnew('Bram T.', stack);
  const { address, body } = await reportFor('Bram T.');
  const before = await reportCount('Bram T.', stack);
  const line = await answerlessLine();
  const first = post(address.replace(stack.url, `http://127.0.0.1:${line.port}`), body);
  await expect.poll(() => reportCount('Bram T.', stack)).toBe(before + 1);
  await tell('kill server');
  line.server.closeAllConnections();
  line.server.close();
  expect(await first).toBe('cut off');
  await tell('start server');
  expect(await post(address, body)).toBe(303);
  expect(await reportCount('Bram T.', stack)).toBe(before + 1);
});

test('the server is killed while it writes: nothing half stays, and the repeat makes the one report', async () => {
  await beginAnew('Bram T.', stack);
  const { address, body } = await reportFor('Bram T.');
  const before = await reportCount('Bram T.', stack);
  // Somebody holds the child's row, so the report cannot be written to its end.
  const holder = await mariadb.createConnection(stack.databaseUrl);
  await holder.beginTransaction();
  await holder.query('SELECT id FROM children WHERE id = ? FOR UPDATE', [await childIdOf('Bram T.', stack)]);
  const first = post(address, body);
  await expect
    .poll(
      async () =>
        (
          await ask<{ count: number }>(
            "SELECT COUNT(*) AS count FROM information_schema.processlist WHERE info LIKE 'INSERT INTO reports%'",
            [],
            stack,
          )
        )[0]!.count,
    )
    .toBe(1);
  await tell('kill server');
  expect(await first).toBe('cut off');
  await holder.rollback();
  await holder.end();
  await tell('start server');
  // The killed server's one statement is done whole by the database, or not at all; the family was told of neither.
  expect(await post(address, body)).toBe(303);
  expect(await reportCount('Bram T.', stack)).toBe(before + 1);
});

test('whatever part is killed is started anew by itself, and no report that was acknowledged is lost', async () => {
  // Three parts start again, each within a minute on a busy machine.
  test.setTimeout(300_000);
  await beginAnew('Bram T.', stack);
  const isUp = async () => (await fetch(`${stack.url}/api/health`).catch(() => null))?.status === 200;
  for (const part of ['web', 'runner', 'database'] as const) {
    const { address, body } = await reportFor('Bram T.');
    const before = await reportCount('Bram T.', stack);
    const pid = served(FOLDER).pids[part];
    process.kill(pid, 'SIGKILL');
    await expect
      .poll(() => log.join('\n'), { message: `${part}, process ${pid}`, timeout: 60_000 })
      .toMatch(new RegExp(`${NAMES[part]} ended.*(?:Starting it again|Starting another one)`));
    await expect.poll(async () => (await isUp()) && (await post(address, body)) === 303, { timeout: 90_000 }).toBe(true);
    expect(await reportCount('Bram T.', stack)).toBe(before + 1);
    log.length = 0;
  }
});

const NAMES = { web: 'The web server', runner: 'The runner', database: 'MariaDB' };

test('no word of a family, no link, no value of a statement and no password is in any log, whatever went wrong', async () => {
  const written = readdirSync(path.join(FOLDER, 'logs')).map((name) => readFileSync(path.join(FOLDER, 'logs', name), 'utf8'));
  const all = [...everSaid, ...written].join('\n');
  expect(all).toContain('databaseAway');
  const secrets = [
    WORDS,
    stack.therapist.password,
    new URL(stack.databaseUrl).password,
    ...stack.families.map(({ link }) => link.split('/f/')[1]!),
  ];
  expect(secrets.filter((secret) => all.includes(secret))).toEqual([]);
  expect(all).not.toMatch(/INSERT INTO|UPDATE `|VALUES \(/);
});
