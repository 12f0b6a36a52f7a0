import { createServer, request as ask, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { AGAIN_SECONDS, busyPage } from '@/app/busyPage';
import { ownPath } from '@/app/ownPath';
import { allowedHosts } from './allowedHosts';
import { refuseLargeBody } from './bodyLimit';
import { headersFor } from './headers';
import { ConcurrencyLimiter } from './concurrencyLimiter';

describe('the headers of every answer', () => {
  const desk = { scripts: { nonce: 'abc' }, isSecure: true, isFamily: false } as const;

  it('let run what carries this answer’s nonce, and nothing that is written into a page', () => {
    const policy = headersFor(desk)['Content-Security-Policy']!;
    expect(policy).toContain("script-src 'self' 'nonce-abc'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(policy).not.toMatch(/style-src [^;]*unsafe/);
    for (const part of ["object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'", "form-action 'self'"])
      expect(policy).toContain(part);
    // WebAssembly alone, and for the solver's own thread alone.
    expect(headersFor({ ...desk, scripts: 'solver' })['Content-Security-Policy']).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(headersFor({ ...desk, scripts: 'none' })['Content-Security-Policy']).toContain("script-src 'none'");
  });

  it('ask for https behind TLS alone, and let a family’s address travel nowhere', () => {
    expect(headersFor(desk)['Strict-Transport-Security']).toBe('max-age=31536000');
    expect(headersFor({ ...desk, isSecure: false })).not.toHaveProperty('Strict-Transport-Security');
    expect(headersFor({ ...desk, isFamily: true })).toMatchObject({ 'Referrer-Policy': 'no-referrer', 'X-Robots-Tag': 'noindex' });
  });
});

describe('the names by which we are asked', () => {
  const isAllowed = allowedHosts('https://yard.school.example', 3000, ['yard.local', 'other.local:99']);
  it.each([
    ['yard.school.example', true],
    ['YARD.school.example', true],
    ['127.0.0.1:3000', true],
    ['localhost:3000', true],
    ['yard.local', true],
    ['yard.local:3000', true],
    ['other.local:99', true],
    ['other.local', false],
    ['evil.test', false],
    ['yard.school.example.evil.test', false],
    ['127.0.0.1:3001', false],
    ['', false],
    [undefined, false],
  ])('%s: %s', (host, says) => {
    expect(isAllowed(host)).toBe(says);
  });
});

describe('where a person goes on to', () => {
  it.each([
    ['/settings#people', '/settings#people'],
    ['/students/3?x=1', '/students/3?x=1'],
    ['//evil.test', '/review'],
    ['/\\evil.test', '/review'],
    ['https://evil.test', '/review'],
    ['javascript:alert(1)', '/review'],
    ['/a\r\nset-cookie: x', '/review'],
    ['', '/review'],
    [null, '/review'],
    [['/a'], '/review'],
  ])('%j leads to %s', (requested, path) => {
    expect(ownPath(requested)).toBe(path);
  });
});

describe('lanes', () => {
  it('are stuck where every place is held and none is given back', async () => {
    const lanes = new ConcurrencyLimiter(() => 1, 2, 40);
    expect(lanes.isStuckFor(0)).toBe(false);
    await lanes.enter();
    expect([lanes.isStuckFor(0), lanes.isStuckFor(60_000)]).toEqual([true, false]);
    lanes.leave();
    expect(lanes.isStuckFor(0)).toBe(false);
  });

  it('let so many in at once, the next in the order in which they came, and turn away who is too many or waits too long', async () => {
    const lanes = new ConcurrencyLimiter(() => 2, 2, 40);
    const order: string[] = [];
    const enter = async (name: string) => order.push(`${name} ${await lanes.enter()}`);
    await Promise.all([enter('a'), enter('b')]);
    const [c, d, e] = [enter('c'), enter('d'), enter('e')];
    await e;
    lanes.leave();
    await c;
    await d;
    expect(order).toEqual(['a true', 'b true', 'e false', 'c true', 'd false']);
    // Room that was given back is there again, once for each.
    lanes.leave();
    lanes.leave();
    expect(await Promise.all([lanes.enter(), lanes.enter()])).toEqual([true, true]);
  });
});

it('a place in a lane is not lost with who went away while they waited', async () => {
  const lanes = new ConcurrencyLimiter(() => 1, 5, 10_000);
  const rooms: string[] = [];
  let finish = () => {};
  let heardOfIt = () => {};
  const isHeardOf = new Promise<void>((resolve) => (heardOfIt = resolve));
  const server = createServer(async (request, response) => {
    if (request.url === '/second') response.once('close', () => heardOfIt());
    const room = await lanes.hold(response);
    rooms.push(`${request.url} ${room}`);
    if (request.url === '/first') finish = () => response.end();
    else response.end();
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const get = (path: string) => {
    const asked = ask({ port, host: '127.0.0.1', path });
    const ended = new Promise((resolve) => asked.once('close', resolve));
    asked.on('response', (answer) => answer.resume());
    asked.on('error', () => {});
    asked.end();
    return { asked, ended };
  };
  const arrivals = (count: number) =>
    new Promise<void>((resolve) => {
      let seen = 0;
      const onRequest = () => {
        seen += 1;
        if (seen < count) return;
        server.off('request', onRequest);
        resolve();
      };
      server.on('request', onRequest);
    });
  let arrived = arrivals(1);
  const first = get('/first');
  await arrived;
  arrived = arrivals(1);
  const second = get('/second');
  await arrived;
  second.asked.destroy();
  await isHeardOf;
  finish();
  await first.ended;
  await get('/third').ended;
  expect(rooms.filter((room) => !room.startsWith('/second'))).toEqual(['/first taken', '/third taken']);
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

describe('two kinds that share a machine', () => {
  it('the one is slowed while the other is here, and goes on as it was once they have gone', async () => {
    let slow: ConcurrencyLimiter | null = null;
    const first = new ConcurrencyLimiter(
      () => 8,
      10,
      1_000,
      () => slow!.admit(),
    );
    slow = new ConcurrencyLimiter(() => (first.count > 0 ? 1 : 3), 10, 1_000);
    const entered: number[] = [];
    await first.enter();
    for (const who of [1, 2, 3, 4]) void slow.enter().then((isIn) => isIn && entered.push(who));
    await new Promise(setImmediate);
    expect(entered).toEqual([1]);
    slow.leave();
    await new Promise(setImmediate);
    expect(entered).toEqual([1, 2]);
    // With the last of the others gone there is room for three: one is in, two more come in.
    first.leave();
    await new Promise(setImmediate);
    expect([entered, slow.count]).toEqual([[1, 2, 3, 4], 3]);
  });
});

it('who finds no room is told so in their language, and the page asks again by itself', async () => {
  for (const [asked, lang, says] of [
    ['es-US,es;q=0.9,en;q=0.8', 'es', 'Hay muchas personas'],
    ['ar', 'ar', 'أشخاص كثيرون'],
    ['zz', 'en', 'Many people are using this page'],
    ['', 'en', 'Many people are using this page'],
  ] as const) {
    const page = await busyPage(asked);
    expect(page).toContain(`<html lang="${lang}"`);
    expect(page).toContain(says);
    expect(page).toContain(`http-equiv="refresh" content="${AGAIN_SECONDS}"`);
    expect(/<(script|link|img)/.test(page)).toBe(false);
  }
});

describe('a body that is too large', () => {
  const read = { count: 0, isWhole: false };
  const server = createServer((request, response) => {
    if (refuseLargeBody(request, response, request.url === '/f/x' ? 'family' : 'desk')) return;
    request.on('data', (part: Buffer) => (read.count += part.length));
    request.on('end', () => response.writeHead(200).end(String(read.count)));
    request.on('error', () => {});
  });
  let port = 0;
  beforeAll(async () => {
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    ({ port } = server.address() as AddressInfo);
  });
  afterAll(() => {
    server.closeAllConnections();
    return new Promise((resolve) => server.close(resolve));
  });
  beforeEach(() => {
    read.count = 0;
  });

  /** Sends so many pieces of 64 kB, told before or not. */
  const send = (path: string, pieces: number, told: boolean, type: string) =>
    new Promise<string>((resolve) => {
      const headers = { 'content-type': type, ...(told && { 'content-length': pieces * 65_536 }) };
      const sending = ask({ port, host: '127.0.0.1', path, method: 'POST', headers }, (answer: IncomingMessage) => {
        answer.resume();
        answer.on('end', () => resolve(String(answer.statusCode)));
      });
      sending.on('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? 'error'));
      const piece = Buffer.alloc(65_536, 'x');
      const write = (left: number): void => {
        if (left === 0) sending.end();
        else sending.write(piece, () => write(left - 1));
      };
      write(pieces);
    });

  it.each([
    ['a family’s form of the largest size', '/f/x', 1, true, '200'],
    ['one byte more, told before', '/f/x', 2, true, '413'],
    ['the same without its length', '/f/x', 3, false, '413'],
    ['whatever it calls itself', '/f/x', 80, false, '413'],
    ['a list of a therapist', '/students/import', 18, false, '200'],
    ['one that is larger than any', '/students/import', 40, false, '413'],
  ])('%s: %s', async (_what, path, pieces, told, says) => {
    for (const type of ['application/x-www-form-urlencoded', 'Multipart/Form-Data; boundary=x', 'application/json', 'text/x-component']) {
      read.count = 0;
      expect(await send(path, pieces, told, type)).toBe(says);
      expect(read.count).toBeLessThanOrEqual(1_200_000);
    }
  });
});
