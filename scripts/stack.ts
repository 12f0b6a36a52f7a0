import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { countPeople, inTransaction, migrator, openDatabase, type Database } from '@/db';
import { linkSecretIn, phoneFolder } from '@/main/contextFrom';
import { PretendPhone } from '@/outside/pretendPhone';
import { USUAL_HOUSE } from '@/server/house';
import type { Clock } from '@/server/ports';
import { loadDemo, type DemoAccess } from '../demo/loadDemo';
import { loadLibrary } from '../library/loadLibrary';
import { startMariaDb, stopMariaDb, type PrivateMariaDb } from './mariadb';
import { portExactly, portLike } from './ports';
import { pause, waitFor, waitForEnd } from './processes';
import { step } from './say';

export interface StackWish {
  /** Where data, phone and logs live. */
  readonly folder: string;
  readonly port: number;
  readonly databasePort?: number;
  /** A database of the user's own instead of the private one. */
  readonly databaseUrl?: string | undefined;
  readonly mode: 'start' | 'dev';
  readonly withDemo: boolean;
  /** The address to listen on; this machine alone where left out. */
  readonly host?: string;
  /** The address that links carry, where it is not the one that is listened on. */
  readonly origin?: string | undefined;
  readonly fresh?: boolean;
  /** Web processes on one port; one where left out. */
  readonly processes?: number;
  /** Further settings that the processes read from their environment. */
  readonly environment?: Readonly<Record<string, string>>;
  /** How far the clock of all that belongs to the stack runs from the machine's, in milliseconds. */
  readonly clockShift?: number;
}

interface TimedWish extends StackWish {
  readonly now: Clock;
}

export interface Stack {
  readonly url: string;
  readonly databaseUrl: string;
  readonly mariadb: PrivateMariaDb | null;
  readonly access: DemoAccess | null;
  /** Ends the web server at once, as a power cut would. */
  killServer(): Promise<void>;
  startServer(): Promise<void>;
  killRunner(): Promise<void>;
  startRunner(): void;
  stop(): Promise<void>;
}

/** Database, schema, demo, web server and runner, in the order in which they need each other. */
export async function startStack(given: StackWish): Promise<Stack> {
  const wish = { ...given, now: () => instant(Date.now() + (given.clockShift ?? 0)) };
  if (wish.fresh) await stopAndForget(wish);
  mkdirSync(wish.folder, { recursive: true, mode: 0o700 });
  const port = wish.host ? await portExactly(wish.port) : await portLike(wish.port);
  const url = `http://127.0.0.1:${port}`;
  const mariadb = wish.databaseUrl
    ? null
    : await step('Starting the database', () => startMariaDb(path.join(wish.folder, 'mariadb'), wish.databasePort));
  const databaseUrl = wish.databaseUrl ?? mariadb!.url();
  const access = await prepare(wish, databaseUrl, url);
  let server: ChildProcess | null = null;
  let runner: ChildProcess | null = null;
  const startServer = async () => {
    server = await step('Starting the web server', () => serve(wish, databaseUrl, port, url));
  };
  const startRunner = () => {
    runner = run(wish, databaseUrl, url);
  };
  await startServer();
  startRunner();
  // Who makes a backup meanwhile finds the database by it.
  writeFileSync(path.join(wish.folder, ADDRESS_FILE), databaseUrl, { mode: 0o600 });
  return {
    url,
    databaseUrl,
    mariadb,
    access,
    startServer,
    killServer: () => end(server, 'SIGKILL'),
    startRunner,
    killRunner: () => end(runner, 'SIGKILL'),
    async stop() {
      await Promise.all([end(server, 'SIGTERM'), end(runner, 'SIGTERM')]);
      rmSync(path.join(wish.folder, ADDRESS_FILE), { force: true });
      await mariadb?.stop();
    },
  };
}

/** Where the database of a folder is that is being served now; gone once it is stopped. */
export const ADDRESS_FILE = 'database-address';

/** Lives the demo into a folder whose stack can be started later, or copied. */
export async function loadDemoOnly(given: Pick<StackWish, 'folder' | 'port' | 'clockShift'>): Promise<void> {
  const wish: TimedWish = { ...given, mode: 'start', withDemo: true, now: () => instant(Date.now() + (given.clockShift ?? 0)) };
  mkdirSync(wish.folder, { recursive: true, mode: 0o700 });
  const mariadb = await startMariaDb(path.join(wish.folder, 'mariadb'));
  try {
    await prepare(wish, mariadb.url(), `http://127.0.0.1:${wish.port}`);
  } finally {
    await mariadb.stop();
  }
}

/** Takes away what a stack keeps, and nothing else that may lie in the folder. */
async function stopAndForget({ folder, databaseUrl }: StackWish): Promise<void> {
  const names = ['pretend-phone', 'link-secret', 'demo.json'];
  if (!databaseUrl) {
    await stopMariaDb(path.join(folder, 'mariadb'));
    names.push('mariadb');
  }
  for (const name of names) rmSync(path.join(folder, name), { recursive: true, force: true });
}

async function prepare(wish: TimedWish, databaseUrl: string, url: string): Promise<DemoAccess | null> {
  const db = openDatabase(databaseUrl);
  try {
    await step('Bringing the schema up to date', async () => {
      const schema = migrator(db);
      if (wish.fresh && wish.databaseUrl) await schema.down({ to: 0 });
      await schema.up();
    });
    if (!wish.withDemo) return null;
    return await demoAccess(wish, db, url);
  } finally {
    await db.close();
  }
}

/** The demo's sign-ins and links; loads the demo into an empty database. Links follow the address that is served now. */
async function demoAccess(wish: TimedWish, db: Database, url: string): Promise<DemoAccess | null> {
  const file = path.join(wish.folder, 'demo.json');
  if ((await inTransaction(db, countPeople)) > 0) {
    if (!existsSync(file)) return null;
    const { url: then, ...known } = JSON.parse(readFileSync(file, 'utf8')) as DemoAccess & { url: string };
    return { ...known, families: known.families.map((family) => ({ ...family, link: family.link.replace(then, url) })) };
  }
  const { now } = wish;
  const moment = { now: now() };
  // The pretend phone notes when a text came: the demo's clock and its own are one.
  const phone = new PretendPhone(phoneFolder(wish.folder), url, () => moment.now);
  const parts = {
    db,
    now,
    random: Math.random,
    texts: phone,
    phone,
    backups: null,
    house: USUAL_HOUSE,
    origin: url,
    linkSecret: linkSecretIn(wish.folder),
  };
  const access = await step('Loading the demo: 48 children, ten weeks', () => loadDemo(parts, loadLibrary(), (at) => (moment.now = at)));
  writeFileSync(file, JSON.stringify({ url, ...access }, null, 2), { mode: 0o600 });
  return access;
}

const MAIN = { web: 'src/main/web.ts', webs: 'src/main/webs.ts', runner: 'src/main/runner.ts' } as const;

/** The environment that every process of a stack shares. */
function environmentOf(wish: StackWish, databaseUrl: string, url: string): NodeJS.ProcessEnv {
  return {
    ...process.env,
    NODE_ENV: wish.mode === 'dev' ? 'development' : 'production',
    YARD_DATABASE_URL: databaseUrl,
    YARD_DATA: wish.folder,
    // Behind a proxy with https the address is another one; the cookie is then Secure.
    YARD_ORIGIN: wish.origin ?? process.env.YARD_ORIGIN ?? url,
    YARD_HOST: wish.host ?? '127.0.0.1',
    YARD_CLOCK_SHIFT: String(wish.clockShift ?? 0),
    NEXT_TELEMETRY_DISABLED: '1',
    ...wish.environment,
  };
}

function run(wish: StackWish, databaseUrl: string, url: string): ChildProcess {
  return spawn(process.execPath, ['--import', 'tsx', MAIN.runner], {
    env: environmentOf(wish, databaseUrl, url),
    stdio: ['ignore', 'inherit', 'inherit'],
  });
}

async function serve(wish: StackWish, databaseUrl: string, port: number, url: string): Promise<ChildProcess> {
  const program =
    wish.mode === 'dev'
      ? ['node_modules/next/dist/bin/next', 'dev', '-p', String(port), '-H', '127.0.0.1']
      : (wish.processes ?? 1) > 1
        ? ['--import', 'tsx', MAIN.webs, String(port), String(wish.processes)]
        : ['--import', 'tsx', MAIN.web, String(port)];
  const server = spawn(process.execPath, program, {
    env: environmentOf(wish, databaseUrl, url),
    stdio: ['ignore', wish.mode === 'dev' ? 'inherit' : 'ignore', 'inherit'],
  });
  await waitFor(
    `the web server at ${url} to answer`,
    async () => {
      if (server.exitCode !== null) throw new Error(`The web server ended at once (code ${server.exitCode}).`);
      const health = await fetch(`${url}/api/health`).catch(() => null);
      if (!health?.ok) await pause(50);
      return health?.ok ?? false;
    },
    90_000,
  );
  return server;
}

/** Ends a process as it asks to be ended, and at once where it does not listen. */
async function end(process: ChildProcess | null, signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
  if (!process?.pid || process.exitCode !== null || process.signalCode !== null) return;
  process.kill(signal);
  await waitForEnd(process.pid, 12_000).catch(() => end(process, 'SIGKILL'));
}
