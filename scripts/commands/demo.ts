import { DATA_FOLDER } from '../dataFolder';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from '../build';
import { makeFamilyFiles } from '../familyFiles';
import { isAlive } from '../processes';
import { say } from '../say';
import { CLOCK_FILE, startStack, type Stack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';

export { DATA_FOLDER };
export const PID_FILE = path.join(DATA_FOLDER, 'yard.pid');
const WANTED_PORT = 4300;
const WANTED_DATABASE_PORT = 43306;

export async function demo(words: readonly string[]): Promise<number> {
  const stack = await startDemo(words, 'start');
  return untilStopped(stack);
}

/** The demo's stack on the wanted ports, with `.data/demo.json` written. */
export async function startDemo(words: readonly string[], mode: 'start' | 'dev'): Promise<Stack> {
  const port = portFrom(words);
  const fresh = words.includes('--fresh');
  refuseSecond();
  const databaseUrl = process.env.YARD_DATABASE_URL;
  ensureSystemPackages({ database: !databaseUrl, browser: false, clips: true });
  if (mode === 'start') await ensureBuild();
  else await makeFamilyFiles();
  mkdirSync(DATA_FOLDER, { recursive: true, mode: 0o711 });
  const stack = await startStack({
    folder: DATA_FOLDER,
    port,
    databasePort: WANTED_DATABASE_PORT,
    databaseUrl,
    mode,
    withDemo: true,
    fresh,
    clockShift: fresh ? 0 : clockOf(DATA_FOLDER),
  });
  writeFileSync(PID_FILE, String(process.pid));
  followClock(stack);
  report(stack);
  return stack;
}

/** File with the clock that the demo is to continue by; deleted once it does. */
export const NEXT_CLOCK_FILE = 'demo-clock-next';

/** Returns the milliseconds by which the demo of a folder is ahead of the machine's clock: days of it were played. */
export function clockOf(folder: string): number {
  const file = path.join(folder, CLOCK_FILE);
  return existsSync(file) ? Number(readFileSync(file, 'utf8')) || 0 : 0;
}

/** `./yard play` asks for another clock by a file and a signal. */
function followClock(stack: Stack): void {
  process.on('SIGUSR2', () => {
    const next = path.join(DATA_FOLDER, NEXT_CLOCK_FILE);
    void stack.moveClock(Number(readFileSync(next, 'utf8'))).then(() => renameSync(next, path.join(DATA_FOLDER, CLOCK_FILE)));
  });
}

function portFrom(words: readonly string[]): number {
  const place = words.indexOf('--port');
  const text = place >= 0 ? words[place + 1] : process.env.YARD_PORT;
  if (place < 0 && !text) return WANTED_PORT;
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(`"${text}" is not a port. Write a number from 1 to 65535, such as --port 4300.`);
  return port;
}

/** @throws Error where another process serves the same data */
export function refuseSecond(pidFile = PID_FILE): void {
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8'));
  if (pid !== process.pid && isAlive(pid)) throw new Error(`Yard Steps is already running (process ${pid}). To stop it: ./yard stop`);
  rmSync(pidFile);
}

function report(stack: Stack): void {
  const { url, access } = stack;
  if (!access) {
    say(`\nYard Steps: ${url}\n(The database already has accounts, so the demo was not loaded.)`);
    return;
  }
  writeFileSync(path.join(DATA_FOLDER, 'demo.json'), JSON.stringify({ url, ...access }, null, 2), { mode: 0o600 });
  say(`
Yard Steps       ${url}
sign in          ${access.therapist.email}   ${access.therapist.password}
one family       ${access.families[0]!.link}
all of them      .data/demo.json

Press Ctrl-C to stop. Your data is kept. To delete the demo data and start over: ./yard demo --fresh`);
}

/** Waits for Ctrl-C (or ./yard stop), then ends all that was started. */
export function untilStopped(stack: Stack, pidFile = PID_FILE): Promise<number> {
  return new Promise((resolve) => {
    let stopping = false;
    const end = async () => {
      if (stopping) return;
      stopping = true;
      say('\nStopping…');
      await stack.stop();
      rmSync(pidFile, { force: true });
      say(`Stopped. The data is kept in ${path.relative('', path.dirname(pidFile)) || '.'}.`);
      resolve(0);
    };
    process.on('SIGINT', end);
    process.on('SIGTERM', end);
    // Keeps the process here while the servers run.
    const tick = setInterval(() => stopping && clearInterval(tick), 500);
  });
}
