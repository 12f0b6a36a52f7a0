import { createHash, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { AxeBuilder } from '@axe-core/playwright';
import mariadb, { type Pool } from 'mariadb';
import {
  test as base,
  expect,
  type APIRequestContext,
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type Page,
} from '@playwright/test';

import { A_BROWSER } from './aBrowser';

export { expect } from '@playwright/test';

const SHIFT = Number(process.env.YARD_CLOCK_SHIFT ?? 0);
export const ZONE = 'America/Denver';

/** The time by the clock that server, browser and demo share. */
export const now = () => Date.now() + SHIFT;

/** A day at Tarrow Hill, so many before today, as date boxes write it. */
export function dayBefore(days: number): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: ZONE }).format(now() - days * 86_400_000);
}

/** Lets a page's own scripts read the same clock. */
function shiftClock(shift: number): void {
  const Real = Date;
  const here = () => Real.now() + shift;
  globalThis.Date = new Proxy(Real, {
    construct: (target, given) => (given.length ? Reflect.construct(target, given) : new target(here())),
    apply: () => new Real(here()).toString(),
    get: (target, key) => (key === 'now' ? here : Reflect.get(target, key)),
  });
}

export const test = base.extend({
  context: async ({ context }, provide) => {
    await context.addInitScript(shiftClock, SHIFT);
    await provide(context);
  },
});

/**
 * What breaks WCAG 2.2 A or AA on a page, by rule and place; empty where nothing does.
 * @param within a part of the page, where the rest was looked at before
 */
export async function accessibilityFindings(page: Page, within = 'html'): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .include(within)
    // Only violations are described: what passes is not written down, which takes most of the time.
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    // Without frames of other origins one run does; the other way opens a page of its own for each look, which takes twice as long.
    .setLegacyMode()
    .analyze();
  return violations.flatMap((violation) =>
    violation.nodes.map((node) => `${violation.id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`),
  );
}

/** A page of another person or phone, by the same clock. */
export async function newPage(browser: Browser, options: BrowserContextOptions = {}): Promise<Page> {
  const context = await browser.newContext({ userAgent: A_BROWSER, ...options });
  await context.addInitScript(shiftClock, SHIFT);
  return context.newPage();
}

export interface Served {
  readonly url: string;
  readonly databaseUrl: string;
  readonly therapist: { readonly email: string; readonly password: string };
  readonly assistant: { readonly email: string; readonly password: string };
  readonly supervisor: { readonly email: string; readonly password: string };
  readonly pids: Readonly<Record<'web' | 'runner' | 'database', number>>;
  readonly families: readonly { readonly child: string; readonly link: string }[];
}

/** Folder of the stack that this worker's tests run against: each worker has a stack of its own. */
export const STACK_FOLDER = `.data/e2e-${process.env.TEST_PARALLEL_INDEX ?? '0'}`;

/** What the stack of this worker serves. */
export function served(folder = STACK_FOLDER): Served {
  return JSON.parse(readFileSync(`${folder}/stack.json`, 'utf8')) as Served;
}

export function linkOf(child: string, stack = served()): string {
  const family = stack.families.find((each) => each.child === child);
  if (!family) throw new Error(`The demo has no ${child}`);
  return family.link;
}

type Who = 'therapist' | 'assistant' | 'supervisor';

/** Signs in as a person does, by the form. */
export async function signInByForm(page: Page, who: Who = 'therapist', stack = served()): Promise<void> {
  await page.goto(`${stack.url}/sign-in`);
  await page.getByLabel('Address').fill(stack[who].email);
  await page.getByLabel('Password').fill(stack[who].password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/\/review/);
}

const cookiesOf = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>();

/** Signs in with the cookie that the form gave before; goes to no page. */
export async function signIn(page: Page, who: Who = 'therapist', stack = served()): Promise<void> {
  const key = `${stack.url} ${who}`;
  const known = cookiesOf.get(key);
  if (known) {
    // As if the password had been given just now: a run takes longer than that holds.
    await ask('UPDATE sign_ins SET confirmed_at = ?', [new Date(now())], stack);
    return page.context().addCookies(known);
  }
  await signInByForm(page, who, stack);
  cookiesOf.set(key, await page.context().cookies());
}

/** After a test that may have signed somebody out: the next one signs in anew. */
export function forgetSignIns(): void {
  cookiesOf.clear();
}

/** Asks the real database beside the program, as a witness. */
export async function ask<Row>(sql: string, values: readonly unknown[] = [], stack = served()): Promise<Row[]> {
  return rowsAt(stack.databaseUrl, sql, values);
}

const pools = new Map<string, Pool>();

/** Rows of any database, by its URL. Connections are reused; a busy machine gets half a minute to accept one. */
export async function rowsAt<Row>(databaseUrl: string, sql: string, values: readonly unknown[] = []): Promise<Row[]> {
  const pool =
    pools.get(databaseUrl) ??
    mariadb.createPool(`${databaseUrl}?connectionLimit=2&minimumIdle=0&connectTimeout=30000&acquireTimeout=30000`);
  pools.set(databaseUrl, pool);
  return (await pool.query({ sql, bigIntAsNumber: true }, values)) as Row[];
}

export async function childIdOf(name: string, stack = served()): Promise<number> {
  const [called, initial] = name.replace('.', '').split(' ');
  const [row] = await ask<{ id: number }>('SELECT id FROM children WHERE called_name = ? AND initial = ?', [called, initial], stack);
  return row!.id;
}

export async function reportCount(name: string, stack = served()): Promise<number> {
  const [row] = await ask<{ count: number }>(
    'SELECT COUNT(*) AS count FROM reports WHERE child_id = ?',
    [await childIdOf(name, stack)],
    stack,
  );
  return row!.count;
}

/**
 * Lets a family of the demo begin anew, whatever its ten weeks were: one program, sent a week ago, each task at step 3 with
 * its neighbours to choose from, planned for every day; nothing reported, decided or drafted. No test then depends on the
 * demo's chance, on the day, or on what another test did.
 */
export async function beginAnew(name: string, stack = served()): Promise<number> {
  const childId = await childIdOf(name, stack);
  const run = (sql: string, values: readonly unknown[] = []) => ask(sql, values, stack);
  for (const table of ['reports', 'grade_changes', 'decisions', 'program_drafts', 'incoming_texts'])
    await run(`DELETE FROM ${table} WHERE child_id = ?`, [childId]);
  await run(
    'DELETE v FROM program_versions v JOIN programs p ON p.id = v.program_id WHERE p.child_id = ? AND v.number <> p.current_version',
    [childId],
  );
  const tokenHash = createHash('sha256').update(linkOf(name, stack).split('/f/')[1]!).digest('hex');
  await run('DELETE FROM family_links WHERE child_id = ? AND token_hash <> ?', [childId, tokenHash]);
  await run('UPDATE family_links SET revoked_at = NULL, expires_at = ? WHERE child_id = ?', [new Date(now() + 40 * 86_400_000), childId]);
  await run(
    `UPDATE program_versions v JOIN programs p ON p.id = v.program_id
     SET v.number = 1, p.current_version = 1, v.starts_on = ?, v.sent_on = ?, v.ends_on = ?, v.reason = 'sent', v.resumes_on = NULL, v.is_ended = 0 WHERE p.child_id = ?`,
    [dayBefore(7), dayBefore(7), dayBefore(-21), childId],
  );
  await run(
    `UPDATE version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id
     SET t.step = 3, t.choose_from = 2, t.choose_to = 4, t.weekdays = '[1,2,3,4,5,6,7]', t.step_since_version = 1 WHERE p.child_id = ?`,
    [childId],
  );
  await run(
    `INSERT INTO grade_changes (child_id, task_id, version_number, from_step, to_step, cause, changed_by, changed_at, changed_on)
     SELECT p.child_id, t.task_id, 1, NULL, 3, 'placed', v.sent_by, v.sent_at, v.sent_on
     FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id WHERE p.child_id = ?`,
    [childId],
  );
  return childId;
}

/** Opens the first task of the family's day. */
export async function openTask(page: Page): Promise<void> {
  await page.getByRole('listitem').getByRole('link').first().click();
  await toCount(page);
}

/** Opens a card of the round by its name; one that stands far off is behind a number, where it has its name, too. */
export async function openCard(page: Page, name: string): Promise<void> {
  await page.goto('/review');
  const card = page.getByRole('link', { name });
  const far = page.getByText(/^\d+ more/);
  await expect(card.or(far).first()).toBeVisible();
  if (!(await card.isVisible())) await far.click();
  await card.click();
}

/** On to a screen of the task, where that is one of its own; what is behind it can be seen when this ends. */
async function toScreen(page: Page, screen: string): Promise<void> {
  const next = page.locator(`.screen.shown a[href="${screen}"]`);
  if ((await next.count()) === 0) return;
  await next.click();
  await page.locator(`${screen}.shown`).waitFor();
}

/** Screen by screen to where it is counted, with the boxes open; without scripts everything stands on one page. */
export async function toCount(page: Page): Promise<void> {
  await page.locator('#report').waitFor();
  // The page's script comes after the page: only a page that is loaded can say whether it has one.
  await page.waitForLoadState();
  if ((await page.locator('html.scripted').count()) === 0) return;
  for (const screen of ['#look', '#do']) await toScreen(page, screen);
  await page.locator('.screen.shown .typed summary').click();
  await page.locator('.screen.shown [data-field]').first().waitFor();
}

/** On to how it was, where that is a screen of its own. */
export async function toHow(page: Page): Promise<void> {
  await toScreen(page, '#how');
}

/** What a family's page would send of its first task: one more thing for the round. */
export async function reportFirstTask(request: APIRequestContext, child: string, form: Readonly<Record<string, string>>): Promise<void> {
  const [task] = await ask<{ id: number }>(
    `SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id
     WHERE p.child_id = ? AND v.number = p.current_version LIMIT 1`,
    [await childIdOf(child)],
  );
  const answer = await request.post(`${linkOf(child)}/report`, {
    form: { idempotencyKey: randomUUID(), versionTaskId: String(task!.id), done: 'yes', amount: '5', ...form },
    maxRedirects: 0,
  });
  expect(answer.status()).toBe(303);
}

/** Presses the button that sends, whether it is the first report of the day or a change of it. */
export async function sendReport(page: Page): Promise<void> {
  await toHow(page);
  await page.getByRole('button', { name: /^(Done: send it|Send the change|Listo, enviar|Enviar el cambio)$/ }).click();
}

/** Waits until the runner has handed over all that was put in the post. */
export async function textsAreOut(stack = served()): Promise<void> {
  const waiting = () => ask<{ count: number }>("SELECT COUNT(*) AS count FROM jobs WHERE is_open = 1 AND kind = 'deliver'", [], stack);
  await expect.poll(async () => (await waiting())[0]!.count).toBe(0);
}

/** The link in the newest message on the pretend phone that is open; the runner puts it there a moment after what was decided. */
export async function newestLink(page: Page): Promise<string> {
  await textsAreOut();
  await page.reload();
  const link = page.getByRole('group', { name: 'Simulated phone' }).getByRole('link').first();
  return (await link.getAttribute('href'))!;
}
