import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** A secret of a data folder, the same for all its processes. Made once, by whichever comes first. */
export function secretIn(dataFolder: string, name: string): string {
  const file = path.join(dataFolder, name);
  mkdirSync(dataFolder, { recursive: true, mode: 0o700 });
  try {
    writeFileSync(file, randomBytes(32).toString('hex'), { flag: 'wx', mode: 0o600 });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  }
  return readFileSync(file, 'utf8');
}
