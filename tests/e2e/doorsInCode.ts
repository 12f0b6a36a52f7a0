import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Browser } from '@playwright/test';
import { ask, linkOf, newPage, served, signIn } from './app';

export const SUBJECTS = ['nobody', 'garbage', 'family', 'stranger', 'assistant', 'supervisor', 'therapist'] as const;
export type Subject = (typeof SUBJECTS)[number];

/** Every page and route of the program, read from its folder. */
export function addressesInCode(): string[] {
  return readdirSync('src/app', { recursive: true, encoding: 'utf8' })
    .filter((file) => /(^|\/)(page\.tsx|route\.tsx?)$/.test(file))
    .map((file) => `/${path.dirname(file).replace(/\([^)]*\)\/?/g, '')}`.replace(/\/\.$/, '/').replace(/(.)\/$/, '$1'))
    .sort();
}

export interface Act {
  readonly id: string;
  readonly name: string;
  readonly page: string;
}

/** Every server action, as the build knows it. */
export function actsInCode(): Act[] {
  const manifest = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as {
    node: Record<string, { workers: Record<string, unknown>; exportedName: string }>;
  };
  return Object.entries(manifest.node).map(([id, { workers, exportedName }]) => ({
    id,
    name: exportedName,
    page: `/${Object.keys(workers)[0]!
      .replace(/^app\//, '')
      .replace(/\([^)]*\)\//g, '')
      .replace(/\/page$/, '')}`,
  }));
}

/** Who knocks at the doors, and of which child, goal and task they ask. */
export interface Knocking {
  readonly childId: number;
  readonly cookies: ReadonlyMap<Subject, string>;
  /** An address with its holes filled. */
  fill(address: string, token?: string): string;
  asks(subject: Subject, address: string, init?: RequestInit): Promise<Response>;
}

/** Signs everybody in; the child is one that the assistant and the supervisor share with the therapist. */
export async function knocking(browser: Browser): Promise<Knocking> {
  const cookies = new Map<Subject, string>();
  const [theirs] = await ask<{ id: number }>(
    `SELECT a.child_id AS id FROM child_access a JOIN child_access s ON s.child_id = a.child_id AND s.access = 'shared' WHERE a.access = 'assist' LIMIT 1`,
  );
  const childId = theirs!.id;
  const [goal] = await ask<{ id: number }>('SELECT id FROM goals WHERE child_id = ? LIMIT 1', [childId]);
  // Where nothing was told yet there is nothing to be found.
  const [report] = await ask<{ id: number }>('SELECT id FROM reports WHERE child_id = ? LIMIT 1', [childId]);
  for (const who of ['therapist', 'assistant', 'supervisor'] as const) cookies.set(who, await cookieOf(browser, who));
  // Of a child the stranger is the supervisor, for one that nobody shares with them.
  cookies.set('stranger', cookies.get('supervisor')!);
  cookies.set('garbage', `yard=${'z'.repeat(32)}`);
  cookies.set('family', `yard=${linkOf('Odalys V.').split('/f/')[1]!}`);
  return {
    childId,
    cookies,
    fill: (address, token = 'x'.repeat(32)) =>
      address
        .replace('[childId]', String(childId))
        .replace('[goalId]', String(goal!.id))
        .replace('[reportId]', String(report?.id ?? 1))
        .replace('[token]', token)
        .replace('[versionTaskId]', '1')
        .replace('[clipId]', '999999999')
        .replace('[part]', 'small')
        .replace('[table]', 'reports')
        .replace('[slug]', 'crane-lift')
        .replace('[...rest]', 'no/such/page')
        // What somebody made on the bench is theirs to take out; a stock task is everybody's.
        .replace(/\/pack$/, '/pack?slug=crane-lift'),
    asks: (subject, address, init = {}) =>
      fetch(`${served().url}${address}`, {
        redirect: 'manual',
        ...init,
        headers: { ...init.headers, cookie: cookies.get(subject) ?? '' },
      }),
  };
}

async function cookieOf(browser: Browser, who: 'therapist' | 'assistant' | 'supervisor'): Promise<string> {
  const page = await newPage(browser);
  await signIn(page, who);
  const cookie = (await page.context().cookies()).find(({ name }) => name === 'yard')!;
  await page.context().close();
  return `yard=${cookie.value}`;
}
