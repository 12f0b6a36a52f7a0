export { makeBackup, restoreBackup } from './backup';
export type { DumpAddress } from './client';
export { knownBackupKey } from './backupKey';
export { BrokenBackup, UNVERIFIED } from './container';
export type { Secrets } from './container';
export { DailyBackups } from './dailyBackups';
