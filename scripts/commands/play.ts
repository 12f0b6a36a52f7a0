import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { calendarDayInZone, instant } from '@/core/calendar';
import { openDatabase } from '@/db';
import { linkSecretIn, phoneFolder } from '@/main/contextFrom';
import { Workshop } from '@/outside/clips/workshop';
import { FolderMedia } from '@/outside/folderMedia';
import { HighsSolver } from '@/outside/highsSolver';
import { PretendPhone } from '@/outside/pretendPhone';
import { createContext } from '@/server/createContext';
import { DEFAULT_INSTALLATION } from '@/server/installationSettings';
import { DEMO_TIME_ZONE } from '../../demo/children';
import { playOn, type LivedDemo } from '../../demo/playOn';
import { isAlive, waitFor } from '../processes';
import { say, step } from '../say';
import { rowsOf, runSql } from '../sql';
import { ADDRESS_FILE, LIVED_FILE } from '../stack';
import { clockOf, DATA_FOLDER, NEXT_CLOCK_FILE, PID_FILE } from './demo';

const DAY = 86_400_000;
const SPANS: Readonly<Record<string, number>> = { day: 1, week: 7 };

/** Plays one more day, or week, of the running demo: families practice and report, and the demo's clock moves on. `play [day|week]` */
export async function play(words: readonly string[]): Promise<number> {
  const word = words[0] ?? 'day';
  const days = SPANS[word];
  if (days === undefined) throw new Error(`"${word}" cannot be played. Write ./yard play day or ./yard play week.`);
  const demoPid = servedBy();
  const livedFile = path.join(DATA_FOLDER, LIVED_FILE);
  const { url, ...lived } = readLived(livedFile);
  const shift = clockOf(DATA_FOLDER) + days * DAY;
  const end = Date.now() + shift;
  const clock = { now: instant(end) };
  const db = openDatabase(readFileSync(path.join(DATA_FOLDER, ADDRESS_FILE), 'utf8'));
  try {
    const phone = new PretendPhone(phoneFolder(DATA_FOLDER), url, () => clock.now);
    const parts = {
      db,
      owner: db,
      random: Math.random,
      texts: phone,
      phone,
      backups: null,
      solver: new HighsSolver(),
      media: new FolderMedia(path.join(DATA_FOLDER, 'media')),
      workshop: new Workshop(),
      house: DEFAULT_INSTALLATION,
      origin: url,
    };
    const context = createContext({ ...parts, now: () => clock.now, linkSecret: linkSecretIn(DATA_FOLDER) });
    const before = await reportsIn();
    const today = calendarDayInZone(instant(end), DEMO_TIME_ZONE);
    const after = await step(`Living up to ${today}`, () =>
      playOn(context, (at) => (clock.now = instant(Math.min(at, end))), lived, today),
    );
    writeFileSync(livedFile, JSON.stringify(after), { mode: 0o600 });
    // Sessions stay signed in, though a day passes at once.
    await runSql(db, 'UPDATE sign_ins SET seen_at = seen_at + INTERVAL :days DAY, expires_at = expires_at + INTERVAL :days DAY', { days });
    await step('Moving the clock of what serves', () => moveClock(demoPid, shift));
    say(`\n${(await reportsIn()) - before} new reports. At ${url} it is ${today} now.`);
  } finally {
    await db.close();
  }
  return 0;

  async function reportsIn(): Promise<number> {
    return (await rowsOf<{ count: number }>(db, 'SELECT COUNT(*) AS count FROM reports'))[0]!.count;
  }
}

/** @throws Error where no demo is served here */
function servedBy(): number {
  const pid = existsSync(PID_FILE) ? Number(readFileSync(PID_FILE, 'utf8')) : 0;
  if (!pid || !isAlive(pid)) throw new Error('No demo is served here. Start it with ./yard demo, and play in another window.');
  return pid;
}

function readLived(file: string): LivedDemo & { readonly url: string } {
  if (!existsSync(file))
    throw new Error(
      'This demo is from an older version, which cannot play days. To delete the demo data and start over: ./yard demo --fresh',
    );
  const { url } = JSON.parse(readFileSync(path.join(DATA_FOLDER, 'demo.json'), 'utf8')) as { url: string };
  return { ...(JSON.parse(readFileSync(file, 'utf8')) as LivedDemo), url };
}

const LONGEST_MILLISECONDS = 60_000;

/** Asks the process that serves to go on by another clock, and waits till it does. */
async function moveClock(pid: number, shift: number): Promise<void> {
  const next = path.join(DATA_FOLDER, NEXT_CLOCK_FILE);
  writeFileSync(next, String(shift));
  process.kill(pid, 'SIGUSR2');
  await waitFor('the demo to serve by its new clock', async () => !existsSync(next), LONGEST_MILLISECONDS);
}
