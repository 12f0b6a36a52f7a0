import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { pause } from '../scripts/processes';
import type { Place } from './faults';
import { percentile } from './timing';

export const LOAD_KINDS = ['Yard', 'Rounds', 'a child', 'a family’s day', 'a report'] as const;
export type LoadKind = (typeof LOAD_KINDS)[number];

/** Clients of each kind: two hundred people at once. */
const CLIENTS: Readonly<Record<LoadKind, number>> = { Yard: 30, Rounds: 30, 'a child': 20, 'a family’s day': 80, 'a report': 40 };

export interface LoadWorld {
  readonly url: string;
  /** Cookie of a therapist. */
  readonly cookie: string;
  readonly childIds: readonly number[];
  readonly places: readonly Place[];
}

export interface LoadFigures {
  readonly kind: LoadKind;
  readonly clients: number;
  readonly answered: number;
  /** Found no room, and asked again as the page does. */
  readonly askedAgain: number;
  readonly failed: number;
  readonly median: number;
  readonly p95: number;
}

/** A person looks at what came for a moment before asking for more. */
const READING_MILLISECONDS = 3_000;
/** Time after which a visitor gives up. */
const PATIENCE_MILLISECONDS = 60_000;

/**
 * People who ask for a page, wait for it, and ask for the next one. An answer counts from the first asking, over every time that there was no
 * room and the page asked again.
 * @param share of the clients of each kind, for a load that lasts
 */
export async function measureLoad(world: LoadWorld, seconds: number, share = 1): Promise<LoadFigures[]> {
  const agent = new Agent({ keepAlive: true });
  const until = performance.now() + seconds * 1_000;
  const figures = await Promise.all(
    LOAD_KINDS.map(async (kind): Promise<LoadFigures> => {
      const clients = Math.max(1, Math.round(CLIENTS[kind] * share));
      const times: number[] = [];
      const told = { askedAgain: 0, failed: 0 };
      await Promise.all(
        Array.from({ length: clients }, async (_, client) => {
          // Nobody begins in the same instant as all the others.
          await pause((client / clients) * READING_MILLISECONDS);
          for (let count = 0; performance.now() < until; count += 1) {
            const time = await oneAnswer(world, agent, kind, client + count * clients, told);
            if (time === null) told.failed += 1;
            else times.push(time);
            await pause(READING_MILLISECONDS);
          }
        }),
      );
      return { kind, clients, answered: times.length, ...told, median: percentile(times, 0.5), p95: percentile(times, 0.95) };
    }),
  );
  agent.destroy();
  return figures;
}

/** Milliseconds until it was answered; null where it was not. */
async function oneAnswer(
  world: LoadWorld,
  agent: Agent,
  kind: LoadKind,
  turn: number,
  told: { askedAgain: number },
): Promise<number | null> {
  const began = performance.now();
  const asked = askOf(world, kind, turn);
  while (performance.now() - began < PATIENCE_MILLISECONDS) {
    const { status, again } = await send(world, agent, asked);
    if (status === 200 || status === 303) return performance.now() - began;
    if (status !== 503 || again === null) return null;
    told.askedAgain += 1;
    await pause(again * 1_000);
  }
  return null;
}

interface Asked {
  readonly path: string;
  readonly form?: string;
}

function askOf({ childIds, places }: LoadWorld, kind: LoadKind, turn: number): Asked {
  const place = places[turn % places.length]!;
  const family = new URL(place.link).pathname;
  if (kind === 'Yard') return { path: '/caseload' };
  if (kind === 'Rounds') return { path: '/review' };
  if (kind === 'a child') return { path: `/students/${childIds[turn % childIds.length]}` };
  if (kind === 'a family’s day') return { path: family };
  const report = { idempotencyKey: randomUUID(), versionTaskId: String(place.versionTaskId), done: 'yes', amount: '5' };
  return { path: `${family}/report`, form: new URLSearchParams(report).toString() };
}

function send({ url, cookie }: LoadWorld, agent: Agent, { path, form }: Asked): Promise<{ status: number; again: number | null }> {
  return new Promise((resolve) => {
    const headers = {
      cookie,
      accept: 'text/html',
      'accept-encoding': 'br',
      ...(form && { 'content-type': 'application/x-www-form-urlencoded', 'content-length': Buffer.byteLength(form) }),
    };
    const asked = request(`${url}${path}`, { method: form ? 'POST' : 'GET', agent, headers, timeout: PATIENCE_MILLISECONDS }, (answer) => {
      answer.resume();
      const again = answer.headers['retry-after'];
      answer.once('close', () => resolve({ status: answer.statusCode ?? 0, again: again === undefined ? null : Number(again) }));
    });
    asked.once('timeout', () => asked.destroy());
    asked.once('error', () => resolve({ status: 0, again: null }));
    asked.end(form);
  });
}

/** Megabytes that a process holds, as the system counts them. */
export function megabytesOf(pid: number): number {
  const line = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
  return Number(line?.[1] ?? 0) / 1024;
}
