export { makeBackup, restoreBackup } from './backup';
export type { DumpAddress } from './backup';
export { BrokenBackup } from './container';
export { DailyBackups } from './dailyBackups';
