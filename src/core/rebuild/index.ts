export { rebuildFigures } from './rebuildFigures';
export type { ChildFigures, ChildLog, LoggedSession, StandingTask, TaskFigures } from './rebuildFigures';
