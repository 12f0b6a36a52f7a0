export { readTaskPack, taskPackJsonSchema, writeTaskPack } from './taskPack/taskPack';
export type { PackFault, TaskPack } from './taskPack/taskPack';
export * from './icalendar';
export * from './rosterCsv';
export * from './csv';
export * from './pdf';
