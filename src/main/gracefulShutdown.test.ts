import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { Worker } from 'node:worker_threads';
import { GracefulShutdown } from './gracefulShutdown';

const SENDERS = 40;
const SENDING = `
  const { parentPort, workerData } = require('node:worker_threads');
  const answers = {};
  const send = async () => {
    for (let answer = 'taken'; answer === 'taken'; answers[answer] = (answers[answer] ?? 0) + 1)
      answer = await fetch(workerData.address, { method: 'POST', body: 'x'.repeat(300) }).then(
        (taken) => taken.text(),
        (error) => error.cause?.code ?? error.message,
      );
  };
  Promise.all(Array.from({ length: workerData.senders }, send)).then(() => parentPort.postMessage(answers));
`;

test('under load nobody is cut off: whatever reached the server is answered', async () => {
  let received = 0;
  const server = createServer((request, response) => {
    received += 1;
    request.resume();
    request.on('end', () => setTimeout(() => response.end('taken'), 2));
  });
  const ending = new GracefulShutdown(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  // In a thread of their own: they send while the server is busy with its end.
  const senders = new Worker(SENDING, { eval: true, workerData: { address, senders: SENDERS } });
  const told = new Promise<Record<string, number>>((resolve) => senders.once('message', resolve));
  // A thread takes its time to begin where the machine is busy.
  while (received <= SENDERS) await pause(10);
  await ending.begin(5_000);
  const { taken = 0, ...others } = await told;
  expect(taken).toBe(received);
  expect(taken).toBeGreaterThan(SENDERS);
  // A client may connect in the very instant in which the port closes; nothing of it was accepted.
  expect(Object.keys(others).filter((answer) => !['ECONNREFUSED', 'ECONNRESET'].includes(answer))).toEqual([]);
});

test('a connection that says nothing, and one that never ends its question, do not hold it up', async () => {
  const server = createServer((request, response) => void (request.url === '/never' ? null : response.end('taken')));
  const ending = new GracefulShutdown(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  await (await fetch(address)).text();
  const never = fetch(`${address}/never`).then(
    () => 'answered',
    () => 'given up',
  );
  await pause(50);
  await ending.begin(200);
  expect(await never).toBe('given up');
});
