import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { instant } from '@/core/calendar';
import { layAuditByMonths, migrator, openDatabase } from '@/db';
import { runningUrl, startMariaDb } from '../mariadb';
import { say } from '../say';
import { placeOf } from './backup';
import { ensureSystemPackages } from '../systemPackages';
import { isAlive } from '../processes';
import { DATA_FOLDER, PID_FILE } from './demo';

/** Moves the schema one way, lays the trail by months, or prints the address to connect to while the demo is stopped. */
export async function database(words: readonly string[]): Promise<number> {
  const [what = 'address'] = words;
  if (what === 'months') return layByMonths(words);
  if (!['up', 'down', 'address'].includes(what))
    throw new Error('Write ./yard db up, ./yard db down, ./yard db months or ./yard db address.');
  const own = process.env.YARD_DATABASE_URL;
  // To start the server would end the one that serves.
  const running = own || what !== 'address' ? null : runningUrl(path.join(DATA_FOLDER, 'mariadb'));
  if (running !== null) {
    say(`${running}\nIt keeps running.`);
    return 0;
  }
  if (what !== 'address') refuseWhileServing(PID_FILE);
  if (!own) ensureSystemPackages({ database: true, browser: false });
  const server = own ? null : await startMariaDb(path.join(DATA_FOLDER, 'mariadb'));
  const url = own ?? server!.url();
  if (what === 'address') {
    say(`${url}\nThe server runs until ./yard stop.`);
    return 0;
  }
  const db = openDatabase(url);
  const moved = what === 'up' ? await migrator(db).up() : await migrator(db).down();
  say(moved.length ? `Moved ${what}: ${moved.map((each) => each.name).join(', ')}` : 'Nothing to move.');
  await db.close();
  await server?.stop();
  return 0;
}

/** The list of who looked and changed, by months: for a large district, whose list grows by gigabytes. `db months [--config FILE | --data FOLDER]` */
async function layByMonths(words: readonly string[]): Promise<number> {
  const { databaseUrl, close } = await placeOf(words);
  const db = openDatabase(databaseUrl, { max: 1 });
  try {
    const isNew = await layAuditByMonths(db, instant(Date.now()));
    say(
      isNew
        ? 'The access log is now split by month. The background worker creates new months.'
        : 'The access log is already split by month.',
    );
    return 0;
  } finally {
    await db.close();
    await close();
  }
}

/** A program that is being served would find other tables than it was made for. @throws Error that says how to end it */
export function refuseWhileServing(pidFile: string): void {
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8'));
  if (isAlive(pid))
    throw new Error(`Yard Steps is being served by process ${pid}, and moving its schema would harm it. End it first: ./yard stop.`);
}
