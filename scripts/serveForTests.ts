import { execFileSync } from 'node:child_process';
import { createInterface } from 'node:readline';
import path from 'node:path';
import { rmSync, writeFileSync } from 'node:fs';
import { changeHoldMinutes, inTransaction, openDatabase } from '@/db';
import { forgetMariaDb, homeOf, stopMariaDb } from './mariadb';
import { clockShift } from './day';
import { loadDemoOnly, startStack } from './stack';

/**
 * A whole stack for the end-to-end tests, thrown away at the end: `serveForTests.ts FOLDER PORT SEED [load]`. The demo's ten
 * weeks are lived once, into SEED, by the stack that says `load`; every stack serves a copy. What it serves stands in
 * FOLDER/stack.json. A line on its standard input breaks or mends a part, and is answered with `done LINE`.
 */
const [folderWord, portWord, seedWord, load] = process.argv.slice(2);
const folder = path.resolve(folderWord!);
const seed = path.resolve(seedWord!);
const port = Number(portWord);
// Parts of a failed start must not block the next run.
const orClear = (place: string) => async (error: unknown) => {
  await stopMariaDb(path.join(place, 'mariadb'));
  throw error;
};

if (load) {
  await forgetMariaDb(path.join(seed, 'mariadb'));
  rmSync(seed, { recursive: true, force: true });
  await loadDemoOnly({ folder: seed, port, clockShift: clockShift() }).catch(orClear(seed));
}
await forgetMariaDb(path.join(folder, 'mariadb'));
rmSync(folder, { recursive: true, force: true });
// As it is, owners too: the database server may run as a user of its own.
execFileSync('cp', ['-a', seed, folder]);
const [seedHome, home] = [homeOf(path.join(seed, 'mariadb')), homeOf(path.join(folder, 'mariadb'))];
if (!home.startsWith(folder)) execFileSync('cp', ['-a', seedHome, home]);
// Key that a text service would sign with.
process.env.YARD_TEXTS_INCOMING_KEY_FILE = path.join(folder, 'incoming-key');
writeFileSync(process.env.YARD_TEXTS_INCOMING_KEY_FILE, 'a key of the tests');
const stack = await startStack({ folder, port, mode: 'start', withDemo: true, clockShift: clockShift() }).catch(orClear(folder));
// Post goes out at once: what waits is shown by tests of its own.
const db = openDatabase(stack.databaseUrl);
await inTransaction(db, (work) => changeHoldMinutes(work, 0));
await db.close();
/** Describes the running stack: processes change when a part restarts. */
function tellStack(): void {
  const { url, databaseUrl, pids, access } = stack;
  writeFileSync(path.join(folder, 'stack.json'), JSON.stringify({ url, databaseUrl, pids: pids(), ...access }));
}
tellStack();

const database = path.join(folder, 'mariadb');
const commands: Record<string, () => Promise<unknown>> = {
  'kill server': () => stack.killServer(),
  'start server': () => stack.startServer(),
  'kill runner': () => stack.killRunner(),
  'start runner': () => stack.startRunner(),
  'stop database': () => stack.stopDatabase(),
  'start database': () => stack.startDatabase(),
};

createInterface({ input: process.stdin }).on('line', async (line) => {
  await commands[line]?.();
  tellStack();
  process.stdout.write(`done ${line}\n`);
});

let ending = false;
async function end(): Promise<void> {
  if (ending) return;
  ending = true;
  await stack.stop();
  await forgetMariaDb(database);
  rmSync(folder, { recursive: true, force: true });
  if (load) await forgetMariaDb(path.join(seed, 'mariadb'));
  if (load) rmSync(seed, { recursive: true, force: true });
  process.exit(0);
}
process.on('SIGTERM', end);
process.on('SIGINT', end);
process.stdout.write('ready\n');
