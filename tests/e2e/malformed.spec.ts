import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { seededRandom } from '@/core/random';
import { actsInCode, addressesInCode, knocking } from './doorsInCode';
import { expect, forgetSignIns, linkOf, served, STACK_FOLDER, test } from './app';
import { draws, isDeep } from '../fixtures/deep';

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

/** What the served stack has written into its log so far. */
const logLines = () => readFileSync(`${STACK_FOLDER}/logs/yard.log`, 'utf8').split('\n').filter(Boolean);

const DEEP = `[${'['.repeat(300)}${']'.repeat(300)}]`;
/** Arguments as the frame sends them; what an act makes of a child that is a word, a day that is none, a list that is an object. */
const ARGUMENTS = [
  '[]',
  '[null]',
  '[{}]',
  '[null,{}]',
  '["x"]',
  '[-1]',
  '[1e308,1e308]',
  '[{"childId":"x","text":7,"goals":{},"tasks":"no"}]',
  '[{"childId":1,"draft":{"tasks":[{"step":"many"}]},"expectedVersion":-1}]',
  '[[[]]]',
  '["\\u0000","\\ud800"]',
  `["${'x'.repeat(4_000)}"]`,
  '[true,false,null,0]',
  '[[],[],[],[]]',
  '["2026-02-31","25:61"]',
  '[{"__proto__":{"role":"supervisor"}}]',
  '[{"childId":9007199254740993}]',
  '[0.1,"NaN"]',
  '[null,"$K9"]',
  DEEP,
];
const QUESTIONS = [
  'school=%F0%9F%98%80&week=never&most=-1&after=1e99&span=NaN',
  'show=constructor&what=__proto__&lang=xx&step=%00&sort=toString',
  'as=fhir&slug=..%2F..&q=%27%20OR%201%3D1&next=//evil.test',
];

test(`more than ${draws(560, 5_000)} malformed requests to every route and act: none is answered by a fault of ours, none hangs, none fills the log`, async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const logBefore = logLines().length;
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
  const note = (status: string, what: string) => {
    ended[status] = (ended[status] ?? 0) + 1;
    if (/^5|Error/.test(status)) wrong.push(`${status} ${what}`);
  };
  /** Every act in turn, with arguments of a good form and a bad meaning, by who may do it: the use case itself must refuse them. */
  const ofAct = async (act: (typeof acts)[number], given: string) => {
    const body = new FormData();
    body.set('0', given);
    const headers = { 'next-action': act.id, cookie: cookies.get('therapist') ?? '' };
    note(await outcomeOf(`${served().url}${fill(act.page)}`, 'POST', headers, body), `${act.name} ${given.slice(0, 60)}`);
  };
  /** Every address in turn, with a question that means nothing. */
  const ofAddress = async (address: string, question: string) => {
    const headers = { cookie: cookies.get('therapist') ?? '', authorization: 'Bearer x' };
    note(await outcomeOf(`${served().url}${fill(address)}?${question}`, 'GET', headers), `GET ${address}?${question.slice(0, 60)}`);
  };
  // Whoever has signed out is refused before anything is read: that act comes last.
  const inTurn = acts.filter(({ name }) => name !== 'signOutAction');
  const signOut = acts.find(({ name }) => name === 'signOutAction')!;
  const one = async () => {
    const subject = pick(['nobody', 'garbage', 'therapist', 'assistant'] as const);
    const isAct = random() < 0.5;
    const act = pick(inTurn);
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
    note(status, `${isPost ? 'POST' : 'GET'} ${asked.slice(0, 80)} ${isAct ? act.name : ''} ${given?.type ?? ''}`);
  };
  const jobs: (() => Promise<void>)[] = [
    ...(isDeep
      ? ARGUMENTS.flatMap((given) => inTurn.map((act) => () => ofAct(act, given)))
      : inTurn.map((act) => () => ofAct(act, pick(ARGUMENTS)))),
    ...(isDeep
      ? QUESTIONS.flatMap((question) => addresses.map((address) => () => ofAddress(address, question)))
      : addresses.map((address) => () => ofAddress(address, pick(QUESTIONS)))),
    ...Array.from({ length: draws(400, 2_800) }, () => one),
    () => ofAct(signOut, pick(ARGUMENTS)),
  ];
  expect(jobs.length).toBeGreaterThan(draws(560, 5_000));
  const left = [...jobs];
  await Promise.all(
    Array.from({ length: 6 }, async () => {
      for (let job = left.shift(); job; job = left.shift()) await job();
    }),
  );
  forgetSignIns();
  expect(wrong).toEqual([]);
  expect(Object.values(ended).reduce((sum, count) => sum + count, 0)).toBe(jobs.length);
  // Each line of the log is one fault, and no request leaves more than one.
  const told = logLines().slice(logBefore);
  expect(told.filter((line) => !line.startsWith('{'))).toEqual([]);
  const faults = told.map((line) => JSON.parse(line) as { msg: string; stack?: string });
  // An act that was sent no form at all has none to read, and says so to who asked; no question to the database, and nothing of ours, went wrong.
  expect(faults.filter(({ msg, stack }) => msg === 'unexpected' && !/^TypeError: /.test(stack ?? ''))).toEqual([]);
  expect(faults.length).toBeLessThanOrEqual(jobs.length);
  expect((await asks('nobody', '/api/health')).status).toBe(200);
});

test('a way of asking that no page has is refused, and nothing of what was asked is said back', async () => {
  for (const method of ['TRACE', 'PUT', 'DELETE', 'PATCH', 'PROPFIND']) {
    const status = await outcomeOf(`${served().url}/sign-in`, method, { 'x-said': 'said back' });
    expect(`${method} ${status}`).toMatch(/ 40\d$/);
  }
});
