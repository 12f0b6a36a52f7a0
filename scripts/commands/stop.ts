import { existsSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { stopMariaDb } from '../mariadb';
import { isAlive, waitForEnd } from '../processes';
import { say } from '../say';
import { DATA_FOLDER, PID_FILE } from './demo';

export async function stop(): Promise<number> {
  if (existsSync(PID_FILE)) {
    const pid = Number(readFileSync(PID_FILE, 'utf8'));
    if (isAlive(pid)) {
      process.kill(pid, 'SIGTERM');
      await waitForEnd(pid, 45_000);
    }
    rmSync(PID_FILE, { force: true });
  }
  await stopMariaDb(path.join(DATA_FOLDER, 'mariadb'));
  say('Nothing of Yard Steps runs here now. The data is kept in .data.');
  return 0;
}
