import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';
import { reachOf, type Contact } from '@/core/students';
import type { TextToSend } from '@/server/ports';
import { ByReach } from './byReach';
import { HttpTexts } from './httpTexts';
import { Mail } from './mail';
import { MailCatcher } from './mailCatcher';

const FAMILY: TextToSend = {
  to: 'family-1',
  reach: { way: 'text', at: '+1 900 555 0101' },
  text: 'New home practice is ready: https://yard.example/f/x',
  idempotencyKey: 'deliver:1',
};
const PERSON: TextToSend = {
  to: 'person-1',
  reach: { way: 'email', at: 'ines@tarrowhill.example' },
  text: 'Choose a new password',
  idempotencyKey: 'passwordLink:a',
};

interface Asked {
  readonly headers: IncomingMessage['headers'];
  readonly body: unknown;
}

/** A text service as docs/running.md describes it: takes a key once, and can be told to fail. */
async function textService() {
  const asked: Asked[] = [];
  const known = new Set<string>();
  const state = { status: 202, isSilent: false };
  const server = createServer(async (request, response) => {
    let text = '';
    for await (const part of request) text += String(part);
    asked.push({ headers: request.headers, body: JSON.parse(text) });
    if (state.isSilent) return;
    const key = String(request.headers['idempotency-key']);
    const status = state.status !== 202 ? state.status : known.has(key) ? 409 : 202;
    if (status === 202) known.add(key);
    response.writeHead(status, status === 302 ? { location: 'http://127.0.0.1:1/' } : {}).end('{}');
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const close = () => {
    server.closeAllConnections();
    return new Promise((resolve) => server.close(resolve));
  };
  return { address: `http://127.0.0.1:${port}/send`, asked, state, close };
}

describe('a text service that is asked over HTTP', () => {
  it('gets number, words, key and who asks; the same text again is a repeat', async () => {
    const service = await textService();
    const texts = new HttpTexts({ address: service.address, key: 'sesame' });
    expect(await texts.send(FAMILY)).toEqual({ repeated: false });
    expect(await texts.send(FAMILY)).toEqual({ repeated: true });
    expect(service.asked[0]!.body).toEqual({ to: '+1 900 555 0101', text: FAMILY.text });
    expect(service.asked[0]!.headers).toMatchObject({ authorization: 'Bearer sesame', 'idempotency-key': 'deliver:1' });
    await service.close();
  });

  it.each([500, 401, 429, 302])('answering %i has not taken it; what is said of it names neither number nor words', async (status) => {
    const service = await textService();
    service.state.status = status;
    const failed = await new HttpTexts({ address: service.address, key: 'sesame' }).send(FAMILY).catch(String);
    expect(failed).toMatch(/Error: /);
    expect(failed).not.toMatch(/900|ready|sesame/);
    await service.close();
  });

  it('that never answers is left after a while', async () => {
    const service = await textService();
    service.state.isSilent = true;
    const texts = new HttpTexts({ address: service.address, key: 'sesame', timeoutMilliseconds: 50 });
    await expect(texts.send(FAMILY)).rejects.toThrow(/time/i);
    await service.close();
  });
});

describe('e-mail', () => {
  it('reaches a mail server as one plain message to one address, the same Message-ID for the same key', async () => {
    const taken: { to: string[]; text: string }[] = [];
    const server = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      onData(stream, session, done) {
        let text = '';
        stream.on('data', (part: Buffer) => (text += part.toString('utf8')));
        stream.on('end', () => {
          taken.push({ to: session.envelope.rcptTo.map(({ address }) => address), text });
          done();
        });
      },
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.server.address() as AddressInfo;
    const mail = new Mail({ server: `smtp://127.0.0.1:${port}`, from: 'yard@tarrowhill.example' });
    await mail.send(PERSON);
    await mail.send(PERSON);
    expect(taken.map(({ to }) => to)).toEqual([['ines@tarrowhill.example'], ['ines@tarrowhill.example']]);
    expect(taken[0]!.text).toContain('Choose a new password');
    const idOf = (text: string) => text.match(/^Message-ID: (.+)$/m)![1];
    expect(idOf(taken[0]!.text)).toBe(idOf(taken[1]!.text));
    // Two addresses in one field are one that no server takes, never two letters.
    await expect(mail.send({ ...PERSON, reach: { way: 'email', at: 'a@tarrowhill.example, b@tarrowhill.example' } })).rejects.toThrow();
    expect(taken).toHaveLength(2);
    await new Promise<void>((resolve) => server.close(resolve));
  });
});

describe('the mail catcher', () => {
  it('keeps each letter whole as a file, once a key, and lets the phone show its words', async () => {
    const folder = mkdtempSync(path.join(tmpdir(), 'yard-mail-'));
    const shown: string[] = [];
    const phone = { send: async ({ text }: TextToSend) => (shown.push(text), { repeated: false }), forget: async () => {} };
    const catcher = new MailCatcher(folder, 'yard@tarrowhill.example', phone);
    await catcher.send({ ...PERSON, text: 'Mañana: 8 de 10' });
    await catcher.send({ ...PERSON, text: 'Mañana: 8 de 10' });
    const files = readdirSync(path.join(folder, PERSON.to));
    expect(files).toHaveLength(1);
    const place = path.join(folder, PERSON.to, files[0]!);
    const letter = readFileSync(place, 'utf8');
    expect(letter).toMatch(/^From: yard@tarrowhill\.example\r\nTo: ines@tarrowhill\.example\r\nSubject: Yard Steps\r\nMessage-ID: </);
    expect(letter).toMatch(/Ma=C3=B1ana: 8 de 10/);
    expect(statSync(place).mode & 0o077).toBe(0);
    expect(shown).toEqual(['Mañana: 8 de 10', 'Mañana: 8 de 10']);
    await expect(catcher.send({ ...PERSON, reach: null })).rejects.toThrow('No email address is known');
    await catcher.forget(PERSON.to);
    expect(readdirSync(folder)).toEqual([]);
    await expect(catcher.send({ ...PERSON, to: '../elsewhere' })).rejects.toThrow(RangeError);
    rmSync(folder, { recursive: true });
  });
});

describe('by what a message goes', () => {
  const noting = () => {
    const got: string[] = [];
    const service = { got, send: async ({ to }: TextToSend) => (got.push(to), { repeated: false }), forget: async () => {} };
    return service;
  };

  it('is by how its reader is reached; what no service is for goes to the stand-in, or is a fault', async () => {
    const [text, standIn] = [noting(), noting()];
    await new ByReach({ text, email: null }, standIn).send(FAMILY);
    await new ByReach({ text, email: null }, standIn).send(PERSON);
    expect([text.got, standIn.got]).toEqual([['family-1'], ['person-1']]);
    await expect(new ByReach({ text, email: null }, null).send(PERSON)).rejects.toThrow('No service for email is set up');
    await expect(new ByReach({ text, email: null }, null).send({ ...FAMILY, reach: null })).rejects.toThrow(
      'No number or address is known',
    );
  });

  it('is by the first contact that may be sent practice and can be reached', () => {
    const contact: Contact = {
      name: 'A',
      relation: 'mother',
      language: 'en',
      way: 'text',
      reach: '+1 900 555 0101',
      quiet: null,
      mayBeSent: 'practice',
    };
    expect(reachOf([contact])).toEqual({ way: 'text', at: '+1 900 555 0101' });
    expect(
      reachOf([
        { ...contact, mayBeSent: 'reminders' },
        { ...contact, way: 'email', reach: 'b@c.example' },
      ]),
    ).toEqual({ way: 'email', at: 'b@c.example' });
    expect(
      reachOf([
        { ...contact, reach: '' },
        { ...contact, way: 'call' },
        { ...contact, mayBeSent: 'nothing' },
      ]),
    ).toBeNull();
  });
});
