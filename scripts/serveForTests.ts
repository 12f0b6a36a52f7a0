import { createInterface } from 'node:readline';
import path from 'node:path';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { startMariaDb, stopMariaDb } from './mariadb';
import { clockShift } from './day';
import { startStack } from './stack';

/**
 * A whole stack for the end-to-end tests, thrown away at the end: `serveForTests.ts FOLDER PORT`. What it serves stands in
 * FOLDER/stack.json. A line on its standard input breaks or mends a part, and is answered with `done LINE`.
 */
const [folderWord, portWord] = process.argv.slice(2);
const folder = path.resolve(folderWord!);
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const stack = await startStack({ folder, port: Number(portWord), mode: 'start', withDemo: true, clockShift: clockShift() }).catch(
  async (error) => {
    // What was started before it failed must not stand in the way of the next run.
    await stopMariaDb(path.join(folder, 'mariadb'));
    throw error;
  },
);
writeFileSync(path.join(folder, 'stack.json'), JSON.stringify({ url: stack.url, databaseUrl: stack.databaseUrl, ...stack.access }));

const database = path.join(folder, 'mariadb');
const deeds: Record<string, () => Promise<unknown>> = {
  'kill server': () => stack.killServer(),
  'start server': () => stack.startServer(),
  'kill runner': () => stack.killRunner(),
  'start runner': async () => stack.startRunner(),
  'stop database': () => stopMariaDb(database),
  'start database': () => startMariaDb(database, stack.mariadb!.port),
};

createInterface({ input: process.stdin }).on('line', async (line) => {
  await deeds[line]?.();
  process.stdout.write(`done ${line}\n`);
});

let ending = false;
async function end(): Promise<void> {
  if (ending) return;
  ending = true;
  await stack.stop();
  await stopMariaDb(database);
  rmSync(folder, { recursive: true, force: true });
  process.exit(0);
}
process.on('SIGTERM', end);
process.on('SIGINT', end);
process.stdout.write('ready\n');
