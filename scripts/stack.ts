import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { accountOf, countPeople, grantToServe, inTransaction, isDemo, migrator, openDatabase, readDatabaseUrl, type Database } from '@/db';
import { linkSecretIn, phoneFolder } from '@/main/contextFrom';
import { Workshop } from '@/outside/clips/workshop';
import { FolderMedia } from '@/outside/folderMedia';
import { HighsSolver } from '@/outside/highsSolver';
import { PretendPhone } from '@/outside/pretendPhone';
import { DEFAULT_INSTALLATION } from '@/server/installationSettings';
import type { Clock } from '@/server/ports';
import { loadDemo, type DemoAccess } from '../demo/loadDemo';
import { loadLibrary } from '../library/loadLibrary';
import { openLog, type LogFile } from './logFile';
import { forgetMariaDb, startMariaDb } from './mariadb';
import { portExactly } from './ports';
import { pause, waitFor } from './processes';
import { step } from './say';
import { rowsOf } from './sql';
import { Watched } from './watched';
import { WatchedDatabase } from './watchedDatabase';

export interface StackOptions {
  /** Folder of data, phone and logs. */
  readonly folder: string;
  readonly port: number;
  readonly databasePort?: number;
  /** A database of the user's own instead of the private one. */
  readonly databaseUrl?: string | undefined;
  /** The account that owns the schema of that database, where it is another one. */
  readonly ownerUrl?: string | undefined;
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

interface TimedOptions extends StackOptions {
  readonly now: Clock;
}

export interface Stack {
  readonly url: string;
  /** URL with the account that owns the schema. */
  readonly databaseUrl: string;
  readonly access: DemoAccess | null;
  readonly pids: () => Readonly<Record<'web' | 'runner' | 'database', number | undefined>>;
  /** Starts what serves anew by a clock that runs so many milliseconds from the machine's. */
  moveClock(clockShift: number): Promise<void>;
  /** Ends the web server at once, as a power cut would, and for good. */
  killServer(): Promise<void>;
  startServer(): Promise<void>;
  killRunner(): Promise<void>;
  startRunner(): Promise<void>;
  stopDatabase(): Promise<void>;
  startDatabase(): Promise<void>;
  stop(): Promise<void>;
}

/** Database, schema, demo, web server and runner, in the order in which they need each other; each is started anew where it ends by itself. */
export async function startStack(given: StackOptions): Promise<Stack> {
  const options = { ...given, now: () => instant(Date.now() + (given.clockShift ?? 0)) };
  const port = await portExactly(options.port);
  if (options.fresh) await stopAndForget(options);
  makeFolder(options.folder);
  const url = `http://127.0.0.1:${port}`;
  const log = openLog(options.folder);
  const tell = (text: string) => {
    process.stderr.write(`${text}\n`);
    log.write(`${JSON.stringify({ time: Date.now(), name: 'yard-watch', msg: text })}\n`);
  };
  const mariadb = options.databaseUrl
    ? null
    : await step('Starting the database', () =>
        WatchedDatabase.begin(path.join(options.folder, 'mariadb'), { port: options.databasePort, keepsLog: !options.withDemo }, tell),
      );
  const ownerUrl = options.ownerUrl ?? options.databaseUrl ?? mariadb!.current.url();
  const runUrl = options.databaseUrl ?? mariadb!.current.runUrl();
  const access = await prepare(options, { ownerUrl, runUrl }, url).catch(async (error: unknown) => {
    await mariadb?.stop();
    throw error;
  });
  let environment = environmentOf(options, { ownerUrl, runUrl }, url);
  const server = new Watched('The web server', () => serve(options, environment.web, log, port, url), tell);
  const runner = new Watched('The runner', async () => run(environment.runner, log), tell);
  await step('Starting the web server', () => server.begin());
  await runner.begin();
  // A backup meanwhile finds the database by it.
  writeFileSync(path.join(options.folder, ADDRESS_FILE), ownerUrl, { mode: 0o600 });
  return {
    url,
    databaseUrl: ownerUrl,
    access,
    pids: () => ({ web: server.pid, runner: runner.pid, database: mariadb?.current.pid }),
    async moveClock(clockShift) {
      await Promise.all([server.end('SIGTERM'), runner.end('SIGTERM')]);
      environment = environmentOf({ ...options, clockShift }, { ownerUrl, runUrl }, url);
      await server.begin();
      await runner.begin();
    },
    startServer: () => server.begin(),
    killServer: () => server.end('SIGKILL'),
    startRunner: () => runner.begin(),
    killRunner: () => runner.end('SIGKILL'),
    stopDatabase: async () => mariadb?.stop(),
    startDatabase: async () => mariadb?.startAgain(),
    async stop() {
      await Promise.all([server.end('SIGTERM'), runner.end('SIGTERM')]);
      rmSync(path.join(options.folder, ADDRESS_FILE), { force: true });
      await mariadb?.stop();
      await log.close();
    },
  };
}

/** Others may pass through it to the database's own folder, and list nothing. */
function makeFolder(folder: string): void {
  mkdirSync(folder, { recursive: true, mode: 0o711 });
  chmodSync(folder, 0o711);
}

/** How far the families of the demo have lived. */
export const LIVED_FILE = 'demo-lived.json';
/** File with the milliseconds by which the demo's clock is ahead of the machine's. */
export const CLOCK_FILE = 'demo-clock';

/** File with the address of the database that a folder serves now; deleted when it stops. */
export const ADDRESS_FILE = 'database-address';

/** Lives the demo into a folder whose stack can be started later, or copied. */
export async function loadDemoOnly(given: Pick<StackOptions, 'folder' | 'port' | 'clockShift'>): Promise<void> {
  const options: TimedOptions = { ...given, mode: 'start', withDemo: true, now: () => instant(Date.now() + (given.clockShift ?? 0)) };
  makeFolder(options.folder);
  const mariadb = await startMariaDb(path.join(options.folder, 'mariadb'));
  try {
    await prepare(options, { ownerUrl: mariadb.url(), runUrl: mariadb.runUrl() }, `http://127.0.0.1:${options.port}`);
  } finally {
    await mariadb.stop();
  }
}

/** Takes away what a stack keeps, and nothing else that may lie in the folder. @throws Error where people work in the database */
async function stopAndForget({ folder, databaseUrl, ownerUrl }: StackOptions): Promise<void> {
  const names = ['pretend-phone', 'link-secret', 'demo.json', LIVED_FILE, CLOCK_FILE];
  if (databaseUrl) await refuseRealDatabase(ownerUrl ?? databaseUrl);
  else {
    await forgetMariaDb(path.join(folder, 'mariadb'));
  }
  for (const name of names) rmSync(path.join(folder, name), { recursive: true, force: true });
}

/** Only what the demo made is thrown away. @throws Error for a database that holds anything else */
async function refuseRealDatabase(url: string): Promise<void> {
  const db = openDatabase(url, { max: 1 });
  try {
    if (await holdsNothingButDemo(db)) return;
  } finally {
    await db.close();
  }
  throw new Error(
    'This database was not created by the demo, and --fresh would delete all of it. Nothing was changed. Name another database, or use ./yard serve without --fresh.',
  );
}

/** True for an empty database, and for one that the demo made. */
async function holdsNothingButDemo(db: Database): Promise<boolean> {
  if ((await rowsOf(db, 'SHOW TABLES')).length === 0) return true;
  const pending = await migrator(db).pending();
  // A schema of before that cannot be asked is not thrown away either.
  if (pending.length > 0) return false;
  return inTransaction(db, async (work) => (await isDemo(work)) || (await countPeople(work)) === 0);
}

/** The account that owns the schema, and the one that serves. */
interface Accounts {
  readonly ownerUrl: string;
  readonly runUrl: string;
}

async function prepare(options: TimedOptions, { ownerUrl, runUrl }: Accounts, url: string): Promise<DemoAccess | null> {
  const db = openDatabase(ownerUrl);
  try {
    // In a cluster the first host may be the one that is away.
    await db.looked;
    await step('Bringing the schema up to date', async () => {
      const schema = migrator(db);
      if (options.fresh && options.databaseUrl) await schema.down({ to: 0 });
      await schema.up();
      if (runUrl !== ownerUrl)
        await grantToServe(db, options.databaseUrl ? await accountIn(runUrl) : `${readDatabaseUrl(runUrl).user}@127.0.0.1`);
    });
    if (!options.withDemo) return null;
    return await demoAccess(options, db, url);
  } finally {
    await db.close();
  }
}

/**
 * The account that an address stands for, as a server of the user's own names it: its host may be any. It may nothing in the database yet,
 * so that it is asked where every account may.
 */
async function accountIn(runUrl: string): Promise<string> {
  const db = openDatabase(runUrl.replace(/\/[^/?]*(?=\?|$)/, '/information_schema'), { max: 1 });
  return accountOf(db).finally(() => db.close());
}

/** The demo's sign-ins and links; loads the demo into an empty database. Links follow the address that is served now. */
async function demoAccess(options: TimedOptions, db: Database, url: string): Promise<DemoAccess | null> {
  const file = path.join(options.folder, 'demo.json');
  if ((await inTransaction(db, countPeople)) > 0) {
    if (!(await inTransaction(db, isDemo)))
      throw new Error('This database has real accounts, and the demo changes only its own data. Use ./yard serve.');
    if (!existsSync(file)) return null;
    const { url: then, ...known } = JSON.parse(readFileSync(file, 'utf8')) as DemoAccess & { url: string };
    return { ...known, families: known.families.map((family) => ({ ...family, link: family.link.replace(then, url) })) };
  }
  const { now } = options;
  const moment = { now: now() };
  // The pretend phone notes when a text came: the demo's clock and its own are one.
  const phone = new PretendPhone(phoneFolder(options.folder), url, () => moment.now);
  const parts = {
    db,
    owner: db,
    now,
    random: Math.random,
    texts: phone,
    phone,
    backups: null,
    solver: new HighsSolver(),
    media: new FolderMedia(path.join(options.folder, 'media')),
    workshop: new Workshop(),
    house: DEFAULT_INSTALLATION,
    origin: url,
    linkSecret: linkSecretIn(options.folder),
  };
  const { lived, ...access } = await step('Loading the demo: 48 children, ten weeks', () =>
    loadDemo(parts, loadLibrary(), (at) => (moment.now = at)),
  );
  writeFileSync(path.join(options.folder, LIVED_FILE), JSON.stringify(lived), { mode: 0o600 });
  writeFileSync(file, JSON.stringify({ url, ...access }, null, 2), { mode: 0o600 });
  return access;
}

const RUN = 'scripts/run.mjs';
const MAIN = { web: 'src/main/web.ts', webs: 'src/main/webs.ts', runner: 'src/main/runner.ts' } as const;

/** The environment of a stack's processes. Only the runner, which nobody outside reaches, knows the account that owns the schema. */
function environmentOf(options: StackOptions, { ownerUrl, runUrl }: Accounts, url: string): Record<'web' | 'runner', NodeJS.ProcessEnv> {
  const { YARD_DATABASE_OWNER_URL: _theirs, ...outer } = process.env;
  const web: NodeJS.ProcessEnv = {
    ...outer,
    NODE_ENV: options.mode === 'dev' ? 'development' : 'production',
    YARD_DATABASE_URL: runUrl,
    YARD_DATA: options.folder,
    // Behind a proxy with https the address is another one; the cookie is then Secure.
    YARD_ORIGIN: options.origin ?? process.env.YARD_ORIGIN ?? url,
    YARD_HOST: options.host ?? '127.0.0.1',
    YARD_CLOCK_SHIFT: String(options.clockShift ?? 0),
    ...(options.withDemo && { YARD_PRETEND_PHONE: '1' }),
    NEXT_TELEMETRY_DISABLED: '1',
    ...options.environment,
  };
  return { web, runner: { ...web, ...(ownerUrl !== runUrl && { YARD_DATABASE_OWNER_URL: ownerUrl }) } };
}

function run(environment: NodeJS.ProcessEnv, log: LogFile): ChildProcess {
  return logged(spawn(process.execPath, [RUN, MAIN.runner], { env: environment, stdio: ['ignore', 'inherit', 'pipe'] }), log);
}

/** Copies a process's error output to our own, and into the log. */
function logged(process_: ChildProcess, log: LogFile): ChildProcess {
  process_.stderr?.on('data', (text: Buffer) => {
    process.stderr.write(text);
    log.write(text);
  });
  return process_;
}

/** Returns the host at which a server answers this machine: one that listens on every address answers on loopback. */
function listeningHost(host = '127.0.0.1'): string {
  if (host === '0.0.0.0' || host === '::') return '127.0.0.1';
  return host.includes(':') ? `[${host}]` : host;
}

async function serve(
  options: StackOptions,
  environment: NodeJS.ProcessEnv,
  log: LogFile,
  port: number,
  url: string,
): Promise<ChildProcess> {
  const program =
    options.mode === 'dev'
      ? ['node_modules/next/dist/bin/next', 'dev', '-p', String(port), '-H', '127.0.0.1']
      : (options.processes ?? 1) > 1
        ? [RUN, MAIN.webs, String(port), String(options.processes)]
        : [RUN, MAIN.web, String(port)];
  const stdio = ['ignore', options.mode === 'dev' ? 'inherit' : 'ignore', 'pipe'] as const;
  const server = logged(spawn(process.execPath, program, { env: environment, stdio: [...stdio] }), log);
  await waitFor(
    `the web server at ${url} to answer`,
    async () => {
      if (server.exitCode !== null) throw new Error(`The web server ended at once (code ${server.exitCode}).`);
      const health = await fetch(`http://${listeningHost(options.host)}:${port}/api/health`).catch(() => null);
      if (!health?.ok) await pause(50);
      return health?.ok ?? false;
    },
    90_000,
  );
  return server;
}
