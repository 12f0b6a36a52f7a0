import { once } from 'node:events';
import { createServer, type ServerResponse } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { awaitTurn } from './awaitTurn';

const ASKED = 'GET / HTTP/1.1\r\nHost: a\r\n\r\n';
const isClosed = (socket: Socket) => socket.closed || once(socket, 'close').then(() => true);

describe('the requests of one connection', () => {
  const answering: ServerResponse[] = [];
  let came = () => {};
  const server = createServer((request, response) => {
    void awaitTurn(request, response).then((isThere) => {
      if (!isThere) return;
      response.writeHead(200, { 'content-length': 2 });
      response.write('ok');
      answering.push(response);
      came();
    });
  });
  const line = async () => {
    answering.length = 0;
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1').on('error', () => {});
    await once(socket, 'connect');
    return socket;
  };
  const answers = async (count: number) => {
    while (answering.length < count) await new Promise<void>((resolve) => (came = resolve));
  };
  beforeAll(async () => void (await once(server.listen(0, '127.0.0.1'), 'listening')));
  afterAll(() => server.close());

  it('are answered in turn, also where the next one comes between the last byte and the end of the answer', async () => {
    const socket = await line();
    let read = '';
    socket.on('data', (bytes) => (read += String(bytes)));
    socket.write(ASKED);
    await answers(1);
    const second = once(server, 'request');
    socket.write(ASKED);
    await second;
    expect(answering).toHaveLength(1);
    answering[0]!.end();
    await answers(2);
    answering[1]!.end();
    while (read.match(/ok/g)?.length !== 2) await once(socket, 'data');
    const third = once(server, 'request');
    socket.write(ASKED);
    await third;
    await answers(3);
    socket.destroy();
  });

  it('close it where more than one is waiting', async () => {
    const socket = await line();
    socket.write(ASKED.repeat(3));
    expect(await isClosed(socket)).toBe(true);
    expect(answering).toHaveLength(1);
  });

  it('are not answered when the connection is gone', async () => {
    const socket = await line();
    socket.write(ASKED.repeat(2));
    await answers(1);
    const gone = once(answering[0]!, 'close');
    socket.destroy();
    await gone;
    await new Promise(setImmediate);
    expect(answering).toHaveLength(1);
  });
});
