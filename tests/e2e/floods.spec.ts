import { connect, type Socket } from 'node:net';
import { expect, served, test } from './app';

const { hostname, port, host } = new URL(served().url);

/** A line to the server that has sent these words and keeps quiet. */
function line(words: string): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), hostname, () => socket.write(words, () => resolve(socket)));
    socket.once('error', reject);
  });
}

test.describe('few connections of one stranger stop nobody else', () => {
  test('who sends an act slowly holds no place: acts of others are answered meanwhile', async ({ request }) => {
    const head = `POST /sign-in HTTP/1.1\r\nHost: ${host}\r\nContent-Type: text/plain\r\nNext-Action: ${'0'.repeat(42)}\r\nContent-Length: 900\r\n\r\n[`;
    const slow = await Promise.all(Array.from({ length: 12 }, () => line(head)));
    try {
      const others = await Promise.all(Array.from({ length: 4 }, () => request.post('/sign-in', { data: '[]', timeout: 15_000 })));
      expect(others.map((answer) => answer.status() === 503)).toEqual([false, false, false, false]);
      expect(slow.every(({ destroyed }) => !destroyed)).toBe(true);
    } finally {
      for (const socket of slow) socket.destroy();
    }
  });

  test('who sends many large bodies at once is refused the fifth, with words', async ({ request }) => {
    const head = `POST /sign-in HTTP/1.1\r\nHost: ${host}\r\nContent-Type: text/plain\r\nContent-Length: 900000\r\n\r\n[`;
    const slow = await Promise.all(Array.from({ length: 4 }, () => line(head)));
    try {
      const fifth = await request.post('/sign-in', { data: 'x'.repeat(100_000), timeout: 15_000 });
      expect([fifth.status(), await fifth.text()]).toEqual([503, expect.stringContaining('Please try again in a moment')]);
      expect((await request.post('/sign-in', { data: '[]' })).status()).not.toBe(503);
    } finally {
      for (const socket of slow) socket.destroy();
    }
  });

  test('requests one behind the other on a line that is then closed leave every place free', async ({ request }) => {
    for (const path of ['/sign-in', `/f/${'x'.repeat(32)}`]) {
      const socket = await line(`GET ${path} HTTP/1.1\r\nHost: ${host}\r\n\r\n`.repeat(9));
      socket.destroy();
      const answers = await Promise.all(Array.from({ length: 9 }, () => request.get(path, { timeout: 15_000 })));
      expect(answers.filter((answer) => answer.status() === 503)).toEqual([]);
    }
  });
});
