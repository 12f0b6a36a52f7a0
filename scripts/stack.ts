import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { inTransaction, migrator, openDatabase, type Database } from '@/db';
import type { Context } from '@/server/context';
import { PretendPhone } from '@/outside/pretendPhone';
import { loadDemo, type DemoAccess } from '../demo/loadDemo';
import { loadLibrary } from '../library/loadLibrary';
import { startMariaDb, stopMariaDb, type PrivateMariaDb } from './mariadb';
import { portLike } from './ports';
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
  readonly fresh?: boolean;
}

export interface Stack {
  readonly url: string;
  readonly databaseUrl: string;
  readonly mariadb: PrivateMariaDb | null;
  readonly access: DemoAccess | null;
  /** Ends the web server at once, as a power cut would. */
  killServer(): Promise<void>;
  startServer(): Promise<void>;
  stop(): Promise<void>;
}

/** Database, schema, demo and web server, in the order in which they need each other. */
export async function startStack(wish: StackWish): Promise<Stack> {
  if (wish.fresh) await stopAndForget(wish);
  mkdirSync(wish.folder, { recursive: true, mode: 0o700 });
  const port = await portLike(wish.port);
  const url = `http://127.0.0.1:${port}`;
  const mariadb = wish.databaseUrl
    ? null
    : await step('Starting the database', () => startMariaDb(path.join(wish.folder, 'mariadb'), wish.databasePort));
  const databaseUrl = wish.databaseUrl ?? mariadb!.url();
  const access = await prepare(wish, databaseUrl, url);
  let server: ChildProcess | null = null;
  const startServer = async () => {
    server = await step('Starting the web server', () => serve(wish, databaseUrl, port, url));
  };
  const killServer = async () => {
    if (!server?.pid || server.exitCode !== null) return;
    server.kill('SIGKILL');
    await waitForEnd(server.pid, 10_000);
  };
  await startServer();
  return {
    url,
    databaseUrl,
    mariadb,
    access,
    killServer,
    startServer,
    async stop() {
      if (server?.pid && server.exitCode === null) {
        server.kill('SIGTERM');
        await waitForEnd(server.pid, 10_000).catch(killServer);
      }
      await mariadb?.stop();
    },
  };
}

/** Takes away what a stack keeps, and nothing else that may lie in the folder. */
async function stopAndForget({ folder, databaseUrl }: StackWish): Promise<void> {
  const names = ['pretend-phone', 'demo.json'];
  if (!databaseUrl) {
    await stopMariaDb(path.join(folder, 'mariadb'));
    names.push('mariadb');
  }
  for (const name of names) rmSync(path.join(folder, name), { recursive: true, force: true });
}

async function prepare(wish: StackWish, databaseUrl: string, url: string): Promise<DemoAccess | null> {
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
async function demoAccess(wish: StackWish, db: Database, url: string): Promise<DemoAccess | null> {
  const file = path.join(wish.folder, 'demo.json');
  const [row] = await inTransaction(db, (work) => work.select<{ people: number }>('SELECT COUNT(*) AS people FROM people'));
  if (row!.people > 0) {
    if (!existsSync(file)) return null;
    const known = JSON.parse(readFileSync(file, 'utf8')) as DemoAccess & { url: string };
    return { ...known, families: known.families.map((family) => ({ ...family, link: family.link.replace(known.url, url) })) };
  }
  const phone = new PretendPhone(path.join(wish.folder, 'pretend-phone'), url);
  const context: Context = { db, now: () => instant(Date.now()), phone, origin: url };
  const access = await step('Loading the demo: 48 children, ten weeks', () => loadDemo(context, loadLibrary()));
  writeFileSync(file, JSON.stringify({ url, ...access }, null, 2), { mode: 0o600 });
  return access;
}

async function serve(wish: StackWish, databaseUrl: string, port: number, url: string): Promise<ChildProcess> {
  const program =
    wish.mode === 'dev'
      ? ['node_modules/next/dist/bin/next', 'dev', '-p', String(port), '-H', '127.0.0.1']
      : ['--import', 'tsx', 'scripts/server.ts', String(port)];
  const server = spawn(process.execPath, program, {
    env: {
      ...process.env,
      NODE_ENV: wish.mode === 'dev' ? 'development' : 'production',
      YARD_DATABASE_URL: databaseUrl,
      YARD_DATA: wish.folder,
      // Behind a proxy with https the address is another one; the cookie is then Secure.
      YARD_ORIGIN: process.env.YARD_ORIGIN ?? url,
      NEXT_TELEMETRY_DISABLED: '1',
    },
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
