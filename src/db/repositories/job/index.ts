export { lockDueJob, lockOpenJobs } from './read';
export type { Job } from './read';
export { addJobs, deleteDoneJobsBefore, giveJobUp, leaseJob, markJobDone, rescheduleJob, removeJobs, reopenJob } from './write';
export type { Lease, NewJob } from './write';
