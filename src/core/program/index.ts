export { plannedTaskSchema, programDraftSchema, taskChoicesSchema } from './programDraft';
export type { PlannedTask, ProgramDraft, TaskChoices } from './programDraft';
export { contentFor, replacedAt } from './contentFor';
export { checkProgram, inOrderOfParts, minutesOnWeekday } from './checkProgram';
export type { ChildFacts, ProgramFinding } from './checkProgram';
export { fitFor } from './fitFor';
export type { TaskFit } from './fitFor';
export { safetyBetween } from './safetyBetween';
export type { SettledFinding } from './safetyBetween';
