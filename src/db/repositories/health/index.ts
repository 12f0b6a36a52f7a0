export { dueJobs, newestBackupJob, systemMarks } from './read';
export type { DueJobs, SystemMark } from './read';
export { markSystem } from './write';
