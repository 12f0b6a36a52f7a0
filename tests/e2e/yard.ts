import { readFileSync } from 'node:fs';
import mariadb from 'mariadb';
import { expect, type Page } from '@playwright/test';

export interface Served {
  readonly url: string;
  readonly databaseUrl: string;
  readonly therapist: { readonly email: string; readonly password: string };
  readonly assistant: { readonly email: string; readonly password: string };
  readonly supervisor: { readonly email: string; readonly password: string };
  readonly families: readonly { readonly child: string; readonly link: string }[];
}

/** What the tests' own stack serves. */
export function served(folder = '.data/e2e'): Served {
  return JSON.parse(readFileSync(`${folder}/stack.json`, 'utf8')) as Served;
}

export function linkOf(child: string, stack = served()): string {
  const family = stack.families.find((each) => each.child === child);
  if (!family) throw new Error(`The demo has no ${child}`);
  return family.link;
}

export async function signIn(page: Page, who: 'therapist' | 'assistant' | 'supervisor' = 'therapist', stack = served()): Promise<void> {
  await page.goto(`${stack.url}/sign-in`);
  await page.getByLabel('Address').fill(stack[who].email);
  await page.getByLabel('Password').fill(stack[who].password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/\/rounds/);
}

/** Asks the real database beside the program, as a witness. */
export async function ask<Row>(sql: string, values: readonly unknown[] = [], stack = served()): Promise<Row[]> {
  const connection = await mariadb.createConnection(stack.databaseUrl);
  try {
    return (await connection.query({ sql, bigIntAsNumber: true }, values)) as Row[];
  } finally {
    await connection.end();
  }
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

/** Opens a task on the family's day: one that nobody reported yet where there is one, whichever day this runs on. */
export async function openTask(page: Page): Promise<void> {
  const unreported = page
    .getByRole('listitem')
    .filter({ hasText: /Start|Empezar/ })
    .getByRole('link');
  const any = page.getByRole('listitem').getByRole('link');
  await ((await unreported.count()) > 0 ? unreported : any).first().click();
  await page.locator('input[inputmode=numeric]').first().waitFor();
}

/** Presses the button that sends, whether it is the first report of the day or a change of it. */
export async function sendReport(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^(Finished this one|Send the change|Terminamos esta|Enviar el cambio)$/ }).click();
}
