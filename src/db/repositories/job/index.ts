export { lockDueJob, lockOpenJobs } from './read';
export type { Job } from './read';
export { addJobs, dropDoneJobsBefore, giveJobUp, leaseJob, markJobDone, putJobOff, removeJobs, reopenJob } from './write';
export type { Lease, NewJob } from './write';
