import { randomBytes } from 'node:crypto';
import { request } from 'node:http';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { Browser } from '@playwright/test';
import { seededRandom } from '@/core/random';
import { ask, childIdOf, expect, linkOf, newPage, served, signIn, test } from './yard';

/** Every page and route of the program, read from its folder. */
function addressesInCode(): string[] {
  return readdirSync('src/app', { recursive: true, encoding: 'utf8' })
    .filter((file) => /(^|\/)(page\.tsx|route\.ts)$/.test(file))
    .map((file) => `/${path.dirname(file).replace(/\([^)]*\)\/?/g, '')}`.replace(/\/\.$/, '/').replace(/(.)\/$/, '$1'))
    .sort();
}

const SUBJECTS = ['nobody', 'garbage', 'family', 'stranger', 'assistant', 'supervisor', 'therapist'] as const;
type Subject = (typeof SUBJECTS)[number];

/** Who is answered how: a child's addresses are asked for one that the stranger has no part in and that the others share. */
const OPEN = { nobody: 200, garbage: 200, family: 200, stranger: 200, assistant: 200, supervisor: 200, therapist: 200 };
const SIGNED_IN = { ...OPEN, nobody: 307, garbage: 307, family: 307 };
const OF_A_CHILD = { ...SIGNED_IN, stranger: 404 };
const NOT_FOR_ASSISTANTS = { ...SIGNED_IN, assistant: 403 };
const CHANGES_A_CHILD = { ...OF_A_CHILD, assistant: 403 };
const NO_LINK = { nobody: 404, garbage: 404, family: 404, stranger: 404, assistant: 404, supervisor: 404, therapist: 404 };

const PAGES: Record<string, Record<Subject, number>> = {
  '/': { ...SIGNED_IN, stranger: 307, assistant: 307, supervisor: 307, therapist: 307 },
  '/[...rest]': NO_LINK,
  '/api/health': OPEN,
  '/caseload': NOT_FOR_ASSISTANTS,
  '/caseload/hand-over': NOT_FOR_ASSISTANTS,
  '/caseload/template': NOT_FOR_ASSISTANTS,
  '/caseloads': { ...SIGNED_IN, assistant: 403, therapist: 403 },
  '/children/[childId]': OF_A_CHILD,
  '/children/[childId]/export': { ...OF_A_CHILD, assistant: 403, supervisor: 403 },
  '/children/[childId]/facts': CHANGES_A_CHILD,
  '/children/[childId]/goals/[goalId]': CHANGES_A_CHILD,
  '/children/[childId]/looks': CHANGES_A_CHILD,
  '/children/[childId]/looks/file': CHANGES_A_CHILD,
  '/children/[childId]/paper': OF_A_CHILD,
  '/children/[childId]/program': CHANGES_A_CHILD,
  '/children/new': NOT_FOR_ASSISTANTS,
  '/confirm': SIGNED_IN,
  '/f/[token]': NO_LINK,
  '/f/[token]/home': NO_LINK,
  '/f/[token]/home/tell': { ...NO_LINK },
  '/f/[token]/report': { ...NO_LINK },
  '/f/[token]/task/[versionTaskId]': NO_LINK,
  '/find': SIGNED_IN,
  '/forgotten': OPEN,
  '/password/[token]': NO_LINK,
  '/post': SIGNED_IN,
  '/rounds': SIGNED_IN,
  '/second-factor': SIGNED_IN,
  '/set-up/[token]': NO_LINK,
  '/settings': SIGNED_IN,
  '/settings/year': SIGNED_IN,
  '/sign-in': OPEN,
  '/tasks': SIGNED_IN,
  '/tasks/[slug]': SIGNED_IN,
  '/tasks/contents': SIGNED_IN,
  '/tasks/pack': SIGNED_IN,
  '/tasks/schema': OPEN,
  '/yard': SIGNED_IN,
};
/** Routes that a family's form is sent to are asked with it. */
const POSTED = ['/f/[token]/home/tell', '/f/[token]/report'];

/** What each act of the program answers to who is not signed in. */
const PUBLIC_ACTS = ['signInAction', 'acceptAction', 'askAction', 'chooseAction'];

interface Act {
  readonly id: string;
  readonly name: string;
  readonly page: string;
}

/** Every server action, as the build knows it. */
function actsInCode(): Act[] {
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

/** A request on a line of its own, to the end of its answer: what it was answered, or how it failed. */
async function outcomeOf(url: string, method: string, headers: Record<string, string>, body?: BodyInit): Promise<string> {
  const sent = body === undefined ? null : new Request(url, { method, body, headers });
  const bytes = sent && Buffer.from(await sent.arrayBuffer());
  const told = {
    ...headers,
    ...(sent && { 'content-type': sent.headers.get('content-type') ?? '' }),
    ...(bytes && { 'content-length': bytes.length }),
  };
  return new Promise((resolve) => {
    const asked = request(url, { method, headers: told, agent: false, timeout: HANG_MILLISECONDS }, (answer) => {
      answer.resume();
      answer.once('close', () => resolve(String(answer.statusCode)));
    });
    asked.once('timeout', () => {
      resolve('Error: no answer');
      asked.destroy();
    });
    asked.once('error', (error) => resolve(`Error: ${error.message}`));
    asked.end(bytes ?? undefined);
  });
}
const HANG_MILLISECONDS = 20_000;

let childId: number;
let goalId: number;
const cookies = new Map<Subject, string>();

const fill = (address: string, token = 'x'.repeat(32)) =>
  address
    .replace('[childId]', String(childId))
    .replace('[goalId]', String(goalId))
    .replace('[token]', token)
    .replace('[versionTaskId]', '1')
    .replace('[slug]', 'crane-lift')
    .replace('[...rest]', 'no/such/page')
    // What somebody made on the bench is theirs to take out; a stock task is everybody's.
    .replace(/\/pack$/, '/pack?slug=crane-lift');

async function asks(subject: Subject, address: string, init: RequestInit = {}): Promise<Response> {
  const headers = { ...init.headers, cookie: cookies.get(subject) ?? '' };
  return fetch(`${served().url}${address}`, { redirect: 'manual', ...init, headers });
}

async function cookieOf(browser: Browser, who: 'therapist' | 'assistant' | 'supervisor'): Promise<string> {
  const page = await newPage(browser);
  await signIn(page, who);
  const cookie = (await page.context().cookies()).find(({ name }) => name === 'yard')!;
  await page.context().close();
  return `yard=${cookie.value}`;
}

test.beforeAll(async ({ browser }) => {
  const [theirs] = await ask<{ id: number }>(
    `SELECT a.child_id AS id FROM child_access a JOIN child_access s ON s.child_id = a.child_id AND s.access = 'shared' WHERE a.access = 'assist' LIMIT 1`,
  );
  childId = theirs!.id;
  [{ id: goalId }] = (await ask<{ id: number }>('SELECT id FROM goals WHERE child_id = ? LIMIT 1', [childId])) as [{ id: number }];
  for (const who of ['therapist', 'assistant', 'supervisor'] as const) cookies.set(who, await cookieOf(browser, who));
  cookies.set('garbage', `yard=${'z'.repeat(32)}`);
  cookies.set('family', `yard=${linkOf('Odalys V.').split('/f/')[1]!}`);
});

test('every address answers each subject as the table says, and none is missing from it', async () => {
  test.setTimeout(120_000);
  expect(Object.keys(PAGES).sort()).toEqual(addressesInCode());
  // Of a child the stranger is the supervisor, for one that nobody shares with them; elsewhere a supervisor is none.
  const [foreign] = await ask<{ id: number }>(
    "SELECT a.child_id AS id FROM child_access a WHERE a.access = 'lead' AND a.child_id NOT IN (SELECT child_id FROM child_access WHERE access = 'shared') LIMIT 1",
  );
  cookies.set('stranger', cookies.get('supervisor')!);
  const wrong: string[] = [];
  for (const [address, expected] of Object.entries(PAGES))
    for (const subject of SUBJECTS) {
      const asked = fill(subject === 'stranger' ? address.replace('[childId]', String(foreign!.id)) : address);
      const init = POSTED.includes(address) ? { method: 'POST', body: new URLSearchParams({ words: 'x' }) } : {};
      const answer = await asks(subject, asked, init);
      await answer.body?.cancel();
      if (answer.status !== expected[subject]) wrong.push(`${subject} ${asked}: ${answer.status}, not ${expected[subject]}`);
      for (const header of ['content-security-policy', 'x-content-type-options', 'referrer-policy', 'x-frame-options'])
        if (!answer.headers.has(header)) wrong.push(`${asked} without ${header}`);
      if (/script-src[^;]*unsafe/.test(answer.headers.get('content-security-policy') ?? '')) wrong.push(`${asked} lets scripts run inline`);
    }
  expect(wrong).toEqual([]);
});

test('a family’s link opens its own child alone; closed, run out and unknown ones say so with their status', async () => {
  const [own, closed, late] = ['Odalys V.', 'Bram T.', 'Ffion A.'].map((name) => linkOf(name).split('/f/')[1]!) as [string, string, string];
  const ids = [await childIdOf('Bram T.'), await childIdOf('Ffion A.')];
  await ask('UPDATE family_links SET revoked_at = NOW(3) WHERE child_id = ?', [ids[0]]);
  await ask('UPDATE family_links SET expires_at = created_at + INTERVAL 1 SECOND WHERE child_id = ?', [ids[1]]);
  try {
    const [foreignTask] = await ask<{ id: number }>(
      'SELECT t.id FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id JOIN programs p ON p.id = v.program_id WHERE p.child_id = ? LIMIT 1',
      [ids[0]],
    );
    const before = await ask('SELECT COUNT(*) AS count FROM reports');
    for (const [token, status] of [
      [own, 200],
      [closed, 410],
      [late, 410],
      [own.toLowerCase() === own ? own.toUpperCase() : own.toLowerCase(), 404],
      [`${own}x`, 404],
    ] as const) {
      const paths = ['', '/home', `/task/${status === 200 ? foreignTask!.id : 1}`];
      const got = await Promise.all(paths.map(async (each) => (await asks('nobody', `/f/${encodeURIComponent(token)}${each}`)).status));
      expect([token, got[0], got[1]]).toEqual([token, status, status]);
      // Another child's task is not there, whoever's link is good: it leads back to the own day.
      expect(got[2]).toBe(status === 200 ? 307 : status);
      const report = { idempotencyKey: crypto.randomUUID(), versionTaskId: String(foreignTask!.id), done: 'no', notDone: 'time' };
      const sent = await asks('nobody', `/f/${encodeURIComponent(token)}/report`, { method: 'POST', body: new URLSearchParams(report) });
      expect([token, sent.status]).toEqual([token, status === 200 ? 404 : status]);
    }
    expect(await ask('SELECT COUNT(*) AS count FROM reports')).toEqual(before);
  } finally {
    await ask('UPDATE family_links SET revoked_at = NULL, expires_at = NOW(3) + INTERVAL 40 DAY WHERE child_id IN (?)', [ids]);
  }
});

test('no act is done for who is not signed in: every one of them sends to the sign-in', async () => {
  const acts = actsInCode();
  expect(acts.length).toBeGreaterThan(40);
  const counted = async () =>
    JSON.stringify(
      await Promise.all(
        ['people', 'children', 'programs', 'decisions', 'messages', 'family_links', 'invitations', 'task_versions', 'workplace'].map(
          (table) => ask(`CHECKSUM TABLE ${table}`),
        ),
      ),
    );
  const before = await counted();
  for (const { id, name, page } of acts) {
    if (PUBLIC_ACTS.includes(name)) continue;
    for (const subject of ['nobody', 'garbage', 'family'] as const) {
      const form = new FormData();
      form.set('0', '[null,"$K1"]');
      form.set('1_childId', String(childId));
      form.set('1_emergencyNumber', '900');
      form.set('1_name', 'Odalys V.');
      const answer = await asks(subject, fill(page), { method: 'POST', headers: { 'next-action': id }, body: form });
      await answer.body?.cancel();
      const to = answer.headers.get('x-action-redirect') ?? '';
      expect([name, subject, answer.status < 500, to.startsWith('/sign-in')]).toEqual([name, subject, true, true]);
    }
  }
  expect(await counted()).toBe(before);
});

test('another host’s name, another origin and a name of a proxy are not believed', async () => {
  const { url } = served();
  const host = new URL(url).host;
  const statusFor = (headers: Record<string, string>, method = 'GET') =>
    new Promise<number>((resolve, reject) => {
      const asked = request(`${url}/sign-in`, { method, headers }, (answer) => {
        answer.resume();
        resolve(answer.statusCode!);
      });
      asked.on('error', reject);
      asked.end();
    });
  expect(await statusFor({ host: 'evil.test' })).toBe(421);
  expect(await statusFor({ host, 'x-forwarded-host': 'evil.test' })).toBe(200);
  const [{ id }] = actsInCode().filter(({ name }) => name === 'signInAction') as [Act];
  const crossed = await statusFor({ host, origin: 'http://evil.test', 'x-forwarded-host': 'evil.test', 'next-action': id }, 'POST');
  expect(crossed).toBeGreaterThanOrEqual(400);
  expect(crossed).toBeLessThan(500);
});

test('a robot that looks at a link for a preview does not open it for the family', async () => {
  const childId = await childIdOf('Zadie P.').catch(() => childIdOf('Odalys V.'));
  const [child] = await ask<{ name: string }>("SELECT CONCAT(called_name, ' ', initial, '.') AS name FROM children WHERE id = ?", [
    childId,
  ]);
  const link = new URL(linkOf(child!.name)).pathname;
  await ask('UPDATE family_links SET first_opened_at = NULL WHERE child_id = ?', [childId]);
  const opened = () => ask('SELECT COUNT(*) AS count FROM family_links WHERE child_id = ? AND first_opened_at IS NOT NULL', [childId]);
  const robots: Record<string, string>[] = [
    { 'user-agent': 'Twitterbot/1.0' },
    { 'user-agent': 'SomeMessenger LinkPreview bot' },
    { 'user-agent': 'Mozilla/5.0 (X11) Chrome/142.0', purpose: 'prefetch' },
    { 'user-agent': 'Mozilla/5.0 (X11) Chrome/142.0', 'sec-purpose': 'prefetch;prerender' },
  ];
  for (const headers of robots) expect((await asks('nobody', link, { headers })).status).toBe(200);
  expect(await opened()).toEqual([{ count: 0 }]);
  const { A_BROWSER } = await import('./aBrowser');
  await asks('nobody', link, { headers: { 'user-agent': A_BROWSER } });
  expect(await opened()).toEqual([{ count: 1 }]);
});

test('3,000 malformed requests to every route and act: none is answered by a fault of ours, none hangs', async () => {
  test.setTimeout(240_000);
  const random = seededRandom(26);
  const pick = <Item>(items: readonly Item[]): Item => items[Math.floor(random() * items.length)]!;
  const acts = actsInCode();
  const addresses = Object.keys(PAGES);
  const names = [
    'constructor',
    '__proto__',
    'toString',
    'childId',
    'email',
    '0',
    '1',
    '$ACTION_ID_x',
    '$ACTION_REF_1',
    'idempotencyKey',
    '',
  ];
  const values = [
    '',
    '\0',
    '-1',
    '1e99',
    'NaN',
    '[]',
    '{"a":',
    '"$K1"',
    '["$K1","$F2"]',
    '$undefined',
    '../../etc/passwd',
    "' OR 1=1 --",
    '🙂'.repeat(300),
    '[[[[',
    '["$Z"]',
  ];
  const odd = () =>
    pick<() => string>([
      () => pick(values),
      () => randomBytes(12).toString('hex'),
      () => '%',
      () => '%00',
      () => '%ff',
      () => '-1',
      () => '1.5',
      () => '９',
    ])();
  const bodies: readonly (() => { body: BodyInit; type?: string })[] = [
    () => ({ body: pick(values), type: 'text/plain;charset=UTF-8' }),
    () => ({ body: new URLSearchParams(Array.from({ length: 4 }, () => [pick(names), pick(values)])) }),
    () => {
      const form = new FormData();
      for (let count = 0; count < 4; count += 1) form.append(pick(names), pick(values));
      return { body: form };
    },
    () => ({ body: '--x\r\nContent-Disposition: form-data; name="a', type: 'multipart/form-data; boundary=x' }),
    () => ({ body: pick(values), type: 'multipart/form-data' }),
    () => ({ body: Buffer.from(random() > 0.5 ? [0xff, 0xfe, 0] : [0]), type: 'application/json' }),
  ];
  const ended: Record<string, number> = {};
  const wrong: string[] = [];
  const one = async () => {
    const subject = pick(['nobody', 'garbage', 'therapist', 'assistant'] as const);
    const isAct = random() < 0.5;
    const act = pick(acts);
    const address = fill(isAct ? act.page : pick(addresses), random() < 0.3 ? linkOf('Odalys V.').split('/f/')[1]! : undefined);
    const asked =
      random() < 0.3
        ? `${address}?${odd()}=${encodeURIComponent(odd())}`
        : random() < 0.2
          ? `${address}/${encodeURIComponent(odd())}`
          : address;
    const isPost = isAct || random() < 0.5;
    const given = isPost ? pick(bodies)() : null;
    // Whoever is signed in does no harm by chance: what is sent has no meaning, and what has is refused.
    const headers: Record<string, string> = {
      ...(isAct && { 'next-action': random() < 0.8 ? act.id : randomBytes(21).toString('hex') }),
      ...(given?.type && { 'content-type': given.type }),
      ...(random() < 0.1 && { rsc: '1', 'next-router-state-tree': pick(values).replace(/[^\x20-\x7e]/g, '') }),
      'user-agent': pick(['', 'x'.repeat(900), 'curl']),
    };
    const status = await outcomeOf(
      `${served().url}${asked}`,
      isPost ? 'POST' : 'GET',
      { ...headers, cookie: cookies.get(subject) ?? '' },
      given?.body,
    );
    ended[status] = (ended[status] ?? 0) + 1;
    if (/^5|Error/.test(status))
      wrong.push(`${status} ${isPost ? 'POST' : 'GET'} ${asked.slice(0, 80)} ${isAct ? act.name : ''} ${given?.type ?? ''}`);
  };
  let left = 3_000;
  await Promise.all(
    Array.from({ length: 6 }, async () => {
      while (left > 0) {
        left -= 1;
        await one();
      }
    }),
  );
  expect(wrong).toEqual([]);
  expect(Object.values(ended).reduce((sum, count) => sum + count, 0)).toBe(3_000);
  expect((await asks('nobody', '/api/health')).status).toBe(200);
});
