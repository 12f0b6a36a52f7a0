import { randomUUID } from 'node:crypto';
import type { Database } from '@/db';
import { rowsOf } from '../scripts/sql';

/** A family's task, and a link by which it is reported. */
export interface Place {
  readonly link: string;
  readonly versionTaskId: number;
}

export interface FaultFigures {
  readonly what: string;
  readonly sent: number;
  readonly acknowledged: number;
  /** Number stored of the acknowledged ones. */
  readonly stored: number;
  readonly lost: number;
  /** After everything that was not acknowledged was sent once more under its key. */
  readonly rowsAfter: number;
  readonly doubled: number;
  /** Answers to the others. */
  readonly answers: Readonly<Record<string, number>>;
  readonly wellAfterSeconds: number;
}

const AT_ONCE = 60;

/** Sends reports without a pause, breaks a part in the middle, and counts what became of each. */
export async function throughFault(
  what: string,
  { url, db, places, posts }: { url: string; db: Database; places: readonly Place[]; posts: number },
  breakIt: () => Promise<void>,
): Promise<FaultFigures> {
  const keys = Array.from({ length: posts }, () => randomUUID());
  const placeOf = new Map(keys.map((key, index) => [key, places[index % places.length]!]));
  const acknowledged = new Set<string>();
  const answers: Record<string, number> = {};
  let broken: Promise<void> | null = null;
  await inLanes(keys, async (key, index) => {
    if (index === Math.floor(posts / 3)) broken = breakIt();
    const status = await post(placeOf.get(key)!, key);
    if (status === '303') acknowledged.add(key);
    else answers[status] = (answers[status] ?? 0) + 1;
  });
  await broken;
  const started = Date.now();
  while ((await fetch(`${url}/api/health`).catch(() => null))?.status !== 200) await new Promise((resolve) => setTimeout(resolve, 50));
  const wellAfterSeconds = (Date.now() - started) / 1000;
  const stored = await known(db, [...acknowledged]);
  await inLanes(
    keys.filter((key) => !acknowledged.has(key)),
    async (key) => {
      if ((await post(placeOf.get(key)!, key)) === '303') acknowledged.add(key);
    },
  );
  const rowsAfter = await known(db, keys);
  const [distinct] = await rowsOf<{ count: number }>(
    db,
    'SELECT COUNT(DISTINCT idempotency_key) AS count FROM reports WHERE idempotency_key IN (:keys)',
    {
      keys,
    },
  );
  const before = posts - Object.values(answers).reduce((sum, count) => sum + count, 0);
  return {
    what,
    sent: posts,
    acknowledged: before,
    stored,
    lost: before - stored,
    rowsAfter,
    doubled: rowsAfter - distinct!.count,
    answers,
    wellAfterSeconds,
  };
}

async function known(db: Database, keys: readonly string[]): Promise<number> {
  if (keys.length === 0) return 0;
  const [row] = await rowsOf<{ count: number }>(db, 'SELECT COUNT(*) AS count FROM reports WHERE idempotency_key IN (:keys)', { keys });
  return row!.count;
}

async function inLanes<Item>(items: readonly Item[], job: (item: Item, index: number) => Promise<void>): Promise<void> {
  let next = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (next < items.length) {
        const index = next;
        next += 1;
        await job(items[index]!, index);
      }
    }),
  );
}

async function post({ link, versionTaskId }: Place, idempotencyKey: string): Promise<string> {
  const body = new URLSearchParams({ idempotencyKey, versionTaskId: String(versionTaskId), done: 'yes', amount: '5' });
  return fetch(`${link}/report`, { method: 'POST', body, redirect: 'manual', signal: AbortSignal.timeout(30_000) }).then(
    (answer) => String(answer.status),
    (error: Error & { cause?: { code?: string } }) => {
      if (error.name === 'TimeoutError') return 'no answer';
      return error.cause?.code === 'ECONNREFUSED' ? 'not taken' : 'cut off';
    },
  );
}
