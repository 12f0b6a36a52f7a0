import { existsSync } from 'node:fs';
import { readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import type { Backups } from '@/server/ports';
import { makeBackup, type BackupOptions } from './backup';

const NAME = /^yard-\d{4}-\d{2}-\d{2}\.backup$/;

export interface DailyOptions extends Omit<BackupOptions, 'file' | 'writtenAt' | 'onProgress' | 'migrations'> {
  readonly folder: string;
  /** Number of backups kept; older ones are deleted once a new one is complete. */
  readonly keep: number;
}

/** A backup a day in a folder, the last ones kept. */
export class DailyBackups implements Backups {
  constructor(private readonly options: DailyOptions) {}

  async make(day: string, migrations: readonly string[]): Promise<void> {
    const { folder, keep, ...rest } = this.options;
    const file = path.join(folder, `yard-${day}.backup`);
    // A job that is done again after a crash finds what the first one made.
    if (!existsSync(file)) await makeBackup({ ...rest, file, migrations, writtenAt: day, onProgress: () => {} });
    const made = (await readdir(folder)).filter((name) => NAME.test(name)).sort();
    for (const name of made.slice(0, Math.max(0, made.length - keep))) await rm(path.join(folder, name));
  }
}
