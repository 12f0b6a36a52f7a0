export { wilsonInterval } from './wilsonInterval';
export type { Interval } from './wilsonInterval';
export { adherenceRange } from './adherenceRange';
export type { AdherenceCounts, AdherenceRange } from './adherenceRange';
export { practiceOf } from './practiceOf';
export type { DayWord, PlannedSpan, PlannedTaskDays, Practice, PracticeDay, PracticeReport } from './practiceOf';
export type { DoseGiven, TaskDose } from './doseGiven';
export { doseBySkill } from './doseBySkill';
export type { SkillDose } from './doseBySkill';
