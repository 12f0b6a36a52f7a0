export { jobByKey, lockDueJob, lockOpenJobs, nextDue } from './read';
export type { Job, JobStanding } from './read';
export { addJobs, dropDoneJobsBefore, giveJobUp, leaseJob, markJobDone, putJobOff, removeJobs, reopenJob } from './write';
export type { Lease, NewJob } from './write';
