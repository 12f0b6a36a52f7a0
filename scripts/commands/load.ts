import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { contextFrom } from '@/main/contextFrom';
import type { Context } from '@/server/context';
import { signIn } from '@/server/accounts/signIn';
import { CountingTexts, runChaosTest, type ChaosFigures } from '../../measure/hardWeather';
import { placesOf } from '../../measure/links';
import { measureLoad, megabytesOf, type LoadFigures, type LoadWorld } from '../../measure/load';
import { median } from '../../measure/timing';
import { ensureBuild } from '../build';
import { forgetMariaDb } from '../mariadb';
import { freePort } from '../ports';
import { pause } from '../processes';
import { say, step } from '../say';
import { rowsOf } from '../sql';
import { startStack, type Stack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';
import { wordAfter } from './serve';

const FOLDER = path.resolve('.data', 'load');
const SECONDS = 30;
const MINUTES = 30;
const SOAKED = 50_000;
const LINKS_A_CHILD = 40;
/** A process is warm by then: what it holds later on is what it keeps. */
const WARM_SHARE = 1 / 3;
const LOOK_SECONDS = 15;

/** Two hundred people at once, half an hour of them for memory, and a soak of reports through kills; writes docs/load.md. `bench load [--minutes N] [--reports N]` */
export async function load(words: readonly string[]): Promise<number> {
  const minutes = Number(wordAfter(words, '--minutes') ?? MINUTES);
  const soaked = Number(wordAfter(words, '--reports') ?? SOAKED);
  ensureSystemPackages({ database: true, browser: false });
  await ensureBuild();
  await forgetMariaDb(path.join(FOLDER, 'mariadb'));
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true, mode: 0o711 });
  const texts = new CountingTexts();
  const keyFile = path.join(FOLDER, 'texts-key');
  writeFileSync(keyFile, 'key-of-a-test');
  const environment = { YARD_TEXTS_ADDRESS: await texts.listen(), YARD_TEXTS_KEY_FILE: keyFile };
  const stack = await startStack({ folder: FOLDER, port: await freePort(), mode: 'start', withDemo: true, environment });
  const context = contextFrom({ ...process.env, YARD_DATABASE_URL: stack.databaseUrl, YARD_DATA: FOLDER, YARD_ORIGIN: stack.url });
  try {
    const cookie = `yard=${(await signIn(context, { ...stack.access!.therapist })).token}`;
    const childIds = (
      await rowsOf<{ id: number }>(context.db, "SELECT child_id AS id FROM child_access WHERE access = 'lead' ORDER BY child_id LIMIT 40")
    ).map(({ id }) => id);
    const world: LoadWorld = { url: stack.url, cookie, childIds, places: await placesOf(context, LINKS_A_CHILD) };
    await step('Warming up', () => measureLoad(world, 5, 0.1));
    const people = await step(`Two hundred people for ${SECONDS} s`, () => measureLoad(world, SECONDS));
    say(peopleTable(people));
    const memory = await step(`${minutes} minutes of mixed load`, () => measureMemory(world, stack, minutes));
    say(memoryWords(memory));
    const soak = await step(`${soaked.toLocaleString('en')} reports through kills`, () =>
      runChaosTest(
        'web, runner and database are killed by turns',
        { context, cookie, urls: [stack.url], places: world.places, texts, senders: 24 },
        (count) => kills(stack, () => count() >= soaked),
      ),
    );
    const trailBytes = await bytesOfARow(context, 'audit');
    say(soakWords(soak, trailBytes));
    const table = asMarkdown(people, memory, soak, trailBytes);
    writeFileSync(path.join('docs', 'load.md'), table);
    say(`\n${table}`);
    return isHeld(people, memory, soak) ? 0 : 1;
  } finally {
    await context.db.close();
    await stack.stop();
    await texts.close();
    await forgetMariaDb(path.join(FOLDER, 'mariadb'));
    rmSync(FOLDER, { recursive: true, force: true });
  }
}

interface MemoryFigures {
  readonly minutes: number;
  readonly answered: number;
  readonly failed: number;
  /** Megabytes of the web process: once it is warm, and in the end, each the middle of some looks. */
  readonly warm: number;
  readonly end: number;
}

async function measureMemory(world: LoadWorld, stack: Stack, minutes: number): Promise<MemoryFigures> {
  const looks: number[] = [];
  const timer = setInterval(() => looks.push(megabytesOf(stack.pids().web!)), LOOK_SECONDS * 1_000);
  const figures = await measureLoad(world, minutes * 60, 0.15);
  clearInterval(timer);
  const warm = looks.slice(Math.floor(looks.length * WARM_SHARE));
  const some = Math.max(1, Math.floor(warm.length / 4));
  return {
    minutes,
    answered: figures.reduce((sum, each) => sum + each.answered, 0),
    failed: figures.reduce((sum, each) => sum + each.failed, 0),
    warm: median(warm.slice(0, some)),
    end: median(warm.slice(-some)),
  };
}

const BETWEEN_KILLS_MILLISECONDS = 5_000;

/** Kills one part after the other, drawn at random, as a power cut would; each is supervised, and restarts. */
async function kills(stack: Stack, isEnough: () => boolean): Promise<void> {
  const parts = ['web', 'runner', 'database'] as const;
  while (!isEnough()) {
    await pause(BETWEEN_KILLS_MILLISECONDS * (0.5 + Math.random()));
    const pid = stack.pids()[parts[Math.floor(Math.random() * parts.length)]!];
    try {
      process.kill(pid!, 'SIGKILL');
    } catch {
      // It is just being started anew.
    }
  }
}

/** Returns the size of a row on disk, its indexes included. */
async function bytesOfARow(context: Context, table: string): Promise<number> {
  await rowsOf(context.db, `ANALYZE TABLE ${table}`);
  const [row] = await rowsOf<{ bytes: number; rows: number }>(
    context.db,
    'SELECT DATA_LENGTH + INDEX_LENGTH AS bytes, TABLE_ROWS AS `rows` FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = :table',
    { table },
  );
  return row!.bytes / row!.rows;
}

const FAMILY_P95_MILLISECONDS = 1_000;
const MOST_GROWTH = 1.1;

function isHeld(people: readonly LoadFigures[], memory: MemoryFigures, soak: ChaosFigures): boolean {
  const isQuick = people
    .filter(({ kind }) => kind === 'a family’s day' || kind === 'a report')
    .every(({ p95 }) => p95 <= FAMILY_P95_MILLISECONDS);
  const isWhole = [
    soak.lost,
    soak.doubled,
    soak.messagesLost,
    soak.messagesTwice,
    memory.failed,
    ...people.map(({ failed }) => failed),
  ].every((count) => count === 0);
  return isQuick && isWhole && memory.end <= memory.warm * MOST_GROWTH;
}

const seconds = (milliseconds: number) => (milliseconds / 1000).toFixed(2);

function peopleTable(people: readonly LoadFigures[]): string {
  const rows = people.map(
    ({ kind, clients, answered, askedAgain, failed, median: middle, p95 }) =>
      `| ${kind} | ${clients} | ${answered} | ${askedAgain} | ${failed} | ${seconds(middle)} | **${seconds(p95)}** |`,
  );
  return ['| page | people | answered | asked again | failed | median s | p95 s |', '|---|---|---|---|---|---|---|', ...rows].join('\n');
}

function soakWords(soak: ChaosFigures, trailBytes: number): string {
  const pages = Object.entries(soak.pages).map(([status, count]) => `${count} × ${status}`);
  return `${soak.acknowledged.toLocaleString('en')} reports were saved while web server, background worker and database were killed (SIGKILL) in turn, about every five seconds: **${soak.lost} lost, ${soak.doubled} doubled**. ${soak.messages} messages: **${soak.messagesLost} lost, ${soak.messagesTwice} sent twice**. Pages opened at the same time: ${pages.join(', ')}.

An access log entry took ${trailBytes.toFixed(0)} bytes, with its indexes.`;
}

function memoryWords({ minutes, answered, failed, warm, end }: MemoryFigures): string {
  return `${minutes} minutes of a mixed load of 30 people, ${answered.toLocaleString('en')} answers, ${failed} failed: the web process used **${warm.toFixed(0)} MB** after warm-up and **${end.toFixed(0)} MB** in the end.`;
}

function asMarkdown(people: readonly LoadFigures[], memory: MemoryFigures, soak: ChaosFigures, trailBytes: number): string {
  return `# Load

Written by \`./yard bench load\` on one machine, which also sends the load. It has one web process, the private MariaDB, and the demo's 48 students, 40 of them in one caseload.

## Two hundred people at once, for ${SECONDS} s

Each opens a page, waits for it, looks at it for three seconds, and opens the next: about twenty times what 200 people really do. While families use the app, two therapist pages at a time are served. A request that waits longer than 8 s gets a page (503, Retry-After) that tries again automatically. Times are from the first request to the page.

${peopleTable(people)}

The aims are 0 failed, and 1 s at p95 for families’ pages and reports.

## Memory

${memoryWords(memory)}

## Soak

${soakWords(soak, trailBytes)}
`;
}
