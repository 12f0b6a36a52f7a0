import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { contextFrom } from '@/main/contextFrom';
import { settingsFrom } from '@/main/settings';
import { inviteFirst } from '@/server/people/invitations';
import { addStockTasks } from '@/server/tasks/stockLibrary';
import { loadLibrary } from '../../library/loadLibrary';
import { ensureBuild } from '../build';
import { say, step } from '../say';
import { startStack } from '../stack';
import { ensureSystemPackages } from '../systemPackages';
import { refuseSecond, untilStopped } from './demo';

/** The product without the demo. An empty database gets the stock library, and a one-time link for the first account. */
export async function serve(words: readonly string[]): Promise<number> {
  const place = words.indexOf('--config');
  if (place >= 0 && !words[place + 1]) throw new Error('Write --config with the name of a file.');
  const settings = settingsFrom(place < 0 ? null : words[place + 1]!, process.env);
  const { listen, publicAddress, database, dataFolder } = settings;
  mkdirSync(dataFolder, { recursive: true, mode: 0o700 });
  const pidFile = path.join(dataFolder, 'yard.pid');
  refuseSecond(pidFile);
  ensureSystemPackages({ database: database === null, browser: false });
  await ensureBuild();
  const stack = await startStack({
    folder: dataFolder,
    ...listen,
    ...(database !== null && { databaseUrl: database }),
    origin: publicAddress ?? undefined,
    mode: 'start',
    withDemo: false,
  });
  writeFileSync(pidFile, String(process.pid));
  const address = publicAddress ?? stack.url;
  const token = await prepareFirstStart({ YARD_DATABASE_URL: stack.databaseUrl, YARD_DATA: dataFolder, YARD_ORIGIN: address });
  say(`\nYard Steps       ${address}`);
  if (token)
    say(`first account    ${address}/set-up/${token}\n                 (opens once, for seven days; the next start prints another one)`);
  say('\nCtrl-C stops it. The data stays.');
  return untilStopped(stack, pidFile);
}

async function prepareFirstStart(environment: Record<string, string>): Promise<string | null> {
  const context = contextFrom({ ...process.env, ...environment }, { max: 2 });
  try {
    await step('Looking after the stock library', () => addStockTasks(context, loadLibrary()));
    return await inviteFirst(context);
  } finally {
    await context.db.close();
  }
}
