import { randomBytes } from 'node:crypto';
import { Agent, request } from 'node:http';
import { seededRandom } from '@/core/random';
import { actsInCode, addressesInCode, knocking } from './doorsInCode';
import { expect, forgetSignIns, linkOf, served, test } from './yard';

/** Lines that stay open, as browsers and proxies keep them: what is left of one request must not be taken for the next. */
const LINES = new Agent({ keepAlive: true, maxSockets: 6 });

/** A request to the end of its answer: what it was answered, or how it failed. */
async function outcomeOf(url: string, method: string, headers: Record<string, string>, body?: BodyInit): Promise<string> {
  const sent = body === undefined ? null : new Request(url, { method, body, headers });
  const bytes = sent && Buffer.from(await sent.arrayBuffer());
  const told = {
    ...headers,
    ...(sent && { 'content-type': sent.headers.get('content-type') ?? '' }),
    ...(bytes && { 'content-length': bytes.length }),
  };
  return new Promise((resolve) => {
    const asked = request(url, { method, headers: told, agent: LINES, timeout: HANG_MILLISECONDS }, (answer) => {
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

test('3,000 malformed requests to every route and act: none is answered by a fault of ours, none hangs', async ({ browser }) => {
  test.setTimeout(240_000);
  const { cookies, fill, asks } = await knocking(browser);
  const random = seededRandom(26);
  const pick = <Item>(items: readonly Item[]): Item => items[Math.floor(random() * items.length)]!;
  const acts = actsInCode();
  const addresses = addressesInCode();
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
  // Among what was asked, at random, was to sign out.
  forgetSignIns();
  expect(wrong).toEqual([]);
  expect(Object.values(ended).reduce((sum, count) => sum + count, 0)).toBe(3_000);
  expect((await asks('nobody', '/api/health')).status).toBe(200);
});

test('a way of asking that no page has is refused, and nothing of what was asked is said back', async () => {
  for (const method of ['TRACE', 'PUT', 'DELETE', 'PATCH', 'PROPFIND']) {
    const status = await outcomeOf(`${served().url}/sign-in`, method, { 'x-said': 'said back' });
    expect(`${method} ${status}`).toMatch(/ 40\d$/);
  }
});
