export { plannedTaskSchema, programDraftSchema } from './programDraft';
export type { PlannedTask, ProgramDraft } from './programDraft';
export { checkProgram, inOrderOfParts, minutesOnWeekday } from './checkProgram';
export type { ChildFacts, ProgramFinding } from './checkProgram';
