import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { addJobs, addMessage, inTransaction, type Database } from '@/db';
import type { Context } from '@/server/context';
import { deliverJob } from '@/server/jobs/jobs';
import { pause, waitFor } from '../scripts/processes';
import { rowsOf } from '../scripts/sql';
import type { Place } from './faults';

/** A text service that takes each text once by its key, as a real one does, and keeps what it took. */
export class CountingTexts {
  readonly taken = new Map<string, string>();
  private readonly server: Server;

  constructor() {
    this.server = createServer((request, response) => {
      const parts: Buffer[] = [];
      request.on('data', (part: Buffer) => parts.push(part));
      request.on('end', () => {
        const key = String(request.headers['idempotency-key']);
        const known = this.taken.has(key);
        if (!known) this.taken.set(key, (JSON.parse(Buffer.concat(parts).toString('utf8')) as { text: string }).text);
        response.writeHead(known ? 409 : 202).end();
      });
    });
  }

  async listen(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}/texts`;
  }

  async close(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
  }
}

export interface World {
  readonly context: Context;
  /** A session of a therapist, to look at pages with. */
  readonly cookie: string;
  /** The web processes; each sender goes to the next one where one fails it. */
  readonly urls: readonly string[];
  readonly places: readonly Place[];
  readonly texts: CountingTexts;
  /** Phones that send without a pause to speak of; eight where left out. */
  readonly senders?: number;
}

export interface ChaosFigures {
  readonly what: string;
  /** Reports that were answered as saved, and of these those that are not there, or are there twice. */
  readonly acknowledged: number;
  readonly lost: number;
  readonly doubled: number;
  /** The longest time in which nobody's report was saved. */
  readonly longestGapSeconds: number;
  readonly messages: number;
  readonly messagesLost: number;
  readonly messagesTwice: number;
  /** How the pages answered that were looked at meanwhile, by status. */
  readonly pages: Readonly<Record<string, number>>;
}

const SENDERS = 8;
const BEFORE_MILLISECONDS = 3_000;
const AFTER_MILLISECONDS = 8_000;
const REQUEST_MILLISECONDS = 10_000;

/** Reports, messages and looks at pages go on while something is broken and mended; then what became of each is counted. */
export async function runChaosTest(
  what: string,
  world: World,
  breakAndMend: (acknowledged: () => number) => Promise<void>,
): Promise<ChaosFigures> {
  const acknowledged = new Map<string, number>();
  const messages: string[] = [];
  const pages: Record<string, number> = {};
  const run = { isOver: false };
  const work = [
    ...Array.from({ length: world.senders ?? SENDERS }, (_, sender) =>
      sendReports(world, sender, run, (key) => acknowledged.set(key, performance.now())),
    ),
    writeMessages(world, run, (words) => messages.push(words)),
    lookAtPages(world, run, (status) => (pages[status] = (pages[status] ?? 0) + 1)),
  ];
  await pause(BEFORE_MILLISECONDS);
  await breakAndMend(() => acknowledged.size);
  await pause(AFTER_MILLISECONDS);
  run.isOver = true;
  await Promise.all(work);
  return {
    what,
    acknowledged: acknowledged.size,
    ...(await countReports(world.context.db, [...acknowledged.keys()])),
    longestGapSeconds: longestGap([...acknowledged.values()]) / 1000,
    ...(await countMessages(world, messages)),
    pages,
  };
}

/** A phone's way: one report after the other, each sent again under its own key until it is answered as saved. */
async function sendReports(
  { urls, places, senders = SENDERS }: World,
  sender: number,
  run: { isOver: boolean },
  taken: (key: string) => void,
): Promise<void> {
  let at = sender;
  for (let count = 0; !run.isOver; count += 1) {
    const key = randomUUID();
    const { link, versionTaskId } = places[(count * senders + sender) % places.length]!;
    const body = new URLSearchParams({ idempotencyKey: key, versionTaskId: String(versionTaskId), done: 'yes', amount: '5' });
    for (let isTaken = false; !isTaken && !run.isOver;) {
      isTaken = (await statusOf(`${urls[at % urls.length]!}${new URL(link).pathname}/report`, { method: 'POST', body })) === '303';
      if (isTaken) taken(key);
      else {
        at += 1;
        await pause(150);
      }
    }
    await pause(20);
  }
}

async function writeMessages({ context, places }: World, run: { isOver: boolean }, written: (words: string) => void): Promise<void> {
  const [{ childId }] = (await rowsOf<{ childId: number }>(context.db, 'SELECT MIN(id) AS childId FROM children')) as [{ childId: number }];
  for (let count = 0; !run.isOver && places.length > 0; count += 1) {
    const words = `Message ${count} ${randomUUID()}`;
    const now = context.now();
    await inTransaction(context.db, async (work) => {
      const reach = { way: 'text' as const, at: '+19005550101' };
      await addJobs(work, [
        deliverJob(await addMessage(work, { childId, kind: 'direct', words, createdBy: null, createdAt: now, sendAt: null, reach }), now),
      ]);
    }).then(
      () => written(words),
      // It was not acknowledged: whether it is there is not counted.
      () => {},
    );
    await pause(200);
  }
}

async function lookAtPages({ urls, places, cookie }: World, run: { isOver: boolean }, seen: (status: string) => void): Promise<void> {
  for (let count = 0; !run.isOver; count += 1) {
    const url = urls[count % urls.length]!;
    const address = count % 3 === 0 ? `${url}/caseload` : count % 3 === 1 ? `${url}/review` : `${url}${new URL(places[0]!.link).pathname}`;
    seen(await statusOf(address, { headers: { cookie } }));
    await pause(250);
  }
}

async function statusOf(address: string, options: RequestInit): Promise<string> {
  try {
    const answer = await fetch(address, { ...options, redirect: 'manual', signal: AbortSignal.timeout(REQUEST_MILLISECONDS) });
    // A request killed while it was answered does not count as answered.
    await answer.arrayBuffer();
    return String(answer.status);
  } catch (error) {
    return error instanceof Error && error.name === 'TimeoutError' ? 'no answer' : 'cut off';
  }
}

const KEYS_AT_ONCE = 5_000;

async function countReports(db: Database, keys: readonly string[]): Promise<{ lost: number; doubled: number }> {
  let [rows, distinct] = [0, 0];
  for (let from = 0; from < keys.length; from += KEYS_AT_ONCE) {
    const [found] = await rowsOf<{ count: number; distinctKeys: number }>(
      db,
      'SELECT COUNT(*) AS count, COUNT(DISTINCT idempotency_key) AS distinctKeys FROM reports WHERE idempotency_key IN (:keys)',
      { keys: keys.slice(from, from + KEYS_AT_ONCE) },
    );
    rows += found!.count;
    distinct += found!.distinctKeys;
  }
  return { lost: keys.length - distinct, doubled: rows - distinct };
}

async function countMessages({ context, texts }: World, words: readonly string[]) {
  const waiting = async () => {
    const [row] = await rowsOf<{ count: number }>(
      context.db,
      "SELECT COUNT(*) AS count FROM messages WHERE status = 'waiting' AND words IN (:words)",
      {
        words: [...words, ''],
      },
    );
    return row!.count;
  };
  await waitFor('all messages to be handed over', async () => (await waiting().catch(() => 1)) === 0, 90_000);
  const told = new Map<string, number>();
  for (const text of texts.taken.values()) told.set(text, (told.get(text) ?? 0) + 1);
  return {
    messages: words.length,
    messagesLost: words.filter((each) => !told.has(each)).length,
    messagesTwice: [...told.values()].filter((count) => count > 1).length,
  };
}

function longestGap(moments: readonly number[]): number {
  const sorted = [...moments].sort((a, b) => a - b);
  return Math.max(0, ...sorted.slice(1).map((moment, index) => moment - sorted[index]!));
}
