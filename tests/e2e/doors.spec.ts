import { request } from 'node:http';
import { A_BROWSER } from './aBrowser';
import { actsInCode, addressesInCode, knocking, SUBJECTS, type Act, type Knocking, type Subject } from './doorsInCode';
import { ask, childIdOf, expect, linkOf, served, test } from './app';

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
  // Services write here, signed: nobody asks it for a page.
  '/api/texts': { nobody: 405, garbage: 405, family: 405, stranger: 405, assistant: 405, supervisor: 405, therapist: 405 },
  // Without a key it is not there.
  '/api/v1/[table]': NO_LINK,
  '/students/import': NOT_FOR_ASSISTANTS,
  '/caseload/transfer': NOT_FOR_ASSISTANTS,
  '/students/import/template': NOT_FOR_ASSISTANTS,
  '/caseload/all': { ...SIGNED_IN, assistant: 403, therapist: 403 },
  '/students/[childId]': OF_A_CHILD,
  '/students/[childId]/export': { ...OF_A_CHILD, assistant: 403, supervisor: 403 },
  '/students/[childId]/record': CHANGES_A_CHILD,
  '/students/[childId]/fhir': CHANGES_A_CHILD,
  '/students/[childId]/goals/[goalId]': CHANGES_A_CHILD,
  '/students/[childId]/access-log': CHANGES_A_CHILD,
  '/students/[childId]/access-log/file': CHANGES_A_CHILD,
  '/students/[childId]/measure': CHANGES_A_CHILD,
  '/students/[childId]/teachers': CHANGES_A_CHILD,
  '/students/[childId]/print': OF_A_CHILD,
  '/students/[childId]/print/file': OF_A_CHILD,
  '/students/[childId]/program': CHANGES_A_CHILD,
  '/students/[childId]/reports/[reportId]': CHANGES_A_CHILD,
  '/students/new': NOT_FOR_ASSISTANTS,
  '/videos': SIGNED_IN,
  // A clip of nobody's.
  '/videos/[clipId]/[part]': { ...SIGNED_IN, stranger: 404, assistant: 404, supervisor: 404, therapist: 404 },
  // Without a file there is nothing to take.
  '/videos/take': { ...SIGNED_IN, stranger: 422, assistant: 422, supervisor: 422, therapist: 422 },
  '/confirm': SIGNED_IN,
  '/f/[token]': NO_LINK,
  '/f/[token]/calendar.ics': NO_LINK,
  '/f/[token]/home': NO_LINK,
  '/f/[token]/home/tell': { ...NO_LINK },
  '/f/[token]/manifest': NO_LINK,
  '/f/[token]/reminders': NO_LINK,
  '/f/[token]/reminders/tell': { ...NO_LINK },
  '/f/[token]/report': { ...NO_LINK },
  '/f/[token]/send-back': { ...NO_LINK },
  '/f/[token]/sheet/[versionTaskId]': NO_LINK,
  '/f/[token]/show-back/[versionTaskId]': NO_LINK,
  '/f/[token]/shown/[clipId]/[part]': NO_LINK,
  '/f/[token]/take-back': { ...NO_LINK },
  '/f/[token]/task/[versionTaskId]': NO_LINK,
  '/find': SIGNED_IN,
  '/forgot-password': OPEN,
  '/kits': SIGNED_IN,
  '/kits/file': SIGNED_IN,
  '/kits/slips': SIGNED_IN,
  '/step-rules': NOT_FOR_ASSISTANTS,
  '/reports': SIGNED_IN,
  '/reports/enter': SIGNED_IN,
  '/reports/import': SIGNED_IN,
  '/reports/import/template': SIGNED_IN,
  '/print': SIGNED_IN,
  '/print/make': SIGNED_IN,
  '/reset-password/[token]': NO_LINK,
  '/planner': NOT_FOR_ASSISTANTS,
  // What stands in an assistant’s way is told in its lines: tests/integration/plans.test.ts.
  '/planner/make': SIGNED_IN,
  '/messages': SIGNED_IN,
  '/progress': NOT_FOR_ASSISTANTS,
  '/progress/file': NOT_FOR_ASSISTANTS,
  // What stands in an assistant's way is told in its lines: tests/integration/progress.test.ts.
  '/progress/make': SIGNED_IN,
  '/review': SIGNED_IN,
  '/review/together': SIGNED_IN,
  '/two-step': SIGNED_IN,
  '/set-up/[token]': NO_LINK,
  '/settings': SIGNED_IN,
  '/settings/data': SIGNED_IN,
  // Which file is not said.
  '/settings/data/file': { ...SIGNED_IN, stranger: 422, assistant: 422, supervisor: 422, therapist: 422 },
  '/settings/year': SIGNED_IN,
  '/worksheets': SIGNED_IN,
  // Without a task there is no sheet.
  '/worksheets/file': { ...SIGNED_IN, stranger: 422, assistant: 422, supervisor: 422, therapist: 422 },
  '/worksheets/week': SIGNED_IN,
  '/worksheets/week/make': SIGNED_IN,
  '/sign-in': OPEN,
  '/t/[token]': NO_LINK,
  '/t/[token]/ask': { ...NO_LINK },
  '/t/[token]/paper': NO_LINK,
  '/tasks': SIGNED_IN,
  '/tasks/[slug]': SIGNED_IN,
  '/tasks/contents': SIGNED_IN,
  '/tasks/pack': SIGNED_IN,
  '/tasks/schema': OPEN,
  '/visit/school': NOT_FOR_ASSISTANTS,
  '/caseload': SIGNED_IN,
  '/caseload/file': SIGNED_IN,
};
/** Routes that a family's form is sent to are asked with it. */
const POSTED = [
  '/videos/take',
  '/f/[token]/send-back',
  '/f/[token]/take-back',
  '/f/[token]/home/tell',
  '/f/[token]/reminders/tell',
  '/f/[token]/report',
  '/t/[token]/ask',
];

/** What each act of the program answers to who is not signed in. */
const PUBLIC_ACTS = ['signInAction', 'acceptAction', 'askAction', 'chooseAction'];

let doors: Knocking;
test.beforeAll(async ({ browser }) => {
  doors = await knocking(browser);
});

test('every address answers each subject as the table says, and none is missing from it', async () => {
  test.setTimeout(120_000);
  expect(Object.keys(PAGES).sort()).toEqual(addressesInCode());
  const [foreign] = await ask<{ id: number }>(
    "SELECT a.child_id AS id FROM child_access a WHERE a.access = 'lead' AND a.child_id NOT IN (SELECT child_id FROM child_access WHERE access = 'shared') LIMIT 1",
  );
  const wrong: string[] = [];
  const knock = async (address: string, expected: Record<Subject, number>) => {
    for (const subject of SUBJECTS) {
      const asked = doors.fill(subject === 'stranger' ? address.replace('[childId]', String(foreign!.id)) : address);
      const init = POSTED.includes(address) ? { method: 'POST', body: new URLSearchParams({ words: 'x' }) } : {};
      const answer = await doors.asks(subject, asked, init);
      await answer.body?.cancel();
      if (answer.status !== expected[subject]) wrong.push(`${subject} ${asked}: ${answer.status}, not ${expected[subject]}`);
      for (const header of ['content-security-policy', 'x-content-type-options', 'referrer-policy', 'x-frame-options'])
        if (!answer.headers.has(header)) wrong.push(`${asked} without ${header}`);
      if (/script-src[^;]*unsafe/.test(answer.headers.get('content-security-policy') ?? '')) wrong.push(`${asked} lets scripts run inline`);
    }
  };
  // Some at once: one after the other they take half a minute.
  const left = Object.entries(PAGES);
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      for (let next = left.shift(); next; next = left.shift()) await knock(...next);
    }),
  );
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
      const got = await Promise.all(
        paths.map(async (each) => (await doors.asks('nobody', `/f/${encodeURIComponent(token)}${each}`)).status),
      );
      expect([token, got[0], got[1]]).toEqual([token, status, status]);
      // Another child's task is not there, whoever's link is good: it leads back to the own day.
      expect(got[2]).toBe(status === 200 ? 307 : status);
      const report = { idempotencyKey: crypto.randomUUID(), versionTaskId: String(foreignTask!.id), done: 'no', notDone: 'time' };
      const sent = await doors.asks('nobody', `/f/${encodeURIComponent(token)}/report`, {
        method: 'POST',
        body: new URLSearchParams(report),
      });
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
      form.set('_1_childId', String(doors.childId));
      form.set('_1_emergencyNumber', '900');
      form.set('_1_name', 'Odalys V.');
      form.set('0', '[null,"$K1"]');
      const answer = await doors.asks(subject, doors.fill(page), { method: 'POST', headers: { 'next-action': id }, body: form });
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
  for (const headers of robots) expect((await doors.asks('nobody', link, { headers })).status).toBe(200);
  expect(await opened()).toEqual([{ count: 0 }]);
  await doors.asks('nobody', link, { headers: { 'user-agent': A_BROWSER } });
  expect(await opened()).toEqual([{ count: 1 }]);
});
