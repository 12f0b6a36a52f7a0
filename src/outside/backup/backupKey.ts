import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { secretIn } from '@/outside/secretFile';

const NAME = 'backup-key';

/** The key by which this installation's backups are told from forged ones. Made at the first backup; it is no part of any. */
export function backupKeyIn(dataFolder: string): string {
  return secretIn(dataFolder, NAME);
}

/** The same where there is one; null on a machine that has made no backup yet. */
export function knownBackupKey(dataFolder: string): string | null {
  const file = path.join(dataFolder, NAME);
  return existsSync(file) ? readFileSync(file, 'utf8') : null;
}
