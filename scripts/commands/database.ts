import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { migrator, openDatabase } from '@/db';
import { startMariaDb } from '../mariadb';
import { say } from '../say';
import { ensureSystemPackages } from '../systemPackages';
import { isAlive } from '../processes';
import { DATA_FOLDER, PID_FILE } from './demo';

/** Moves the schema one way, or prints the address to connect to while the demo is stopped. */
export async function database([what = 'address']: readonly string[]): Promise<number> {
  if (!['up', 'down', 'address'].includes(what)) throw new Error('Write ./yard db up, ./yard db down or ./yard db address.');
  const own = process.env.YARD_DATABASE_URL;
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

/** A program that is being served would find other tables than it was made for. @throws Error that says how to end it */
export function refuseWhileServing(pidFile: string): void {
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8'));
  if (isAlive(pid))
    throw new Error(`Yard Steps is being served by process ${pid}, and moving its schema would harm it. End it first: ./yard stop.`);
}
