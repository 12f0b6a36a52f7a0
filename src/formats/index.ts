export { readTaskPack, taskPackJsonSchema, writeTaskPack } from './taskPack/taskPack';
export type { PackFault, TaskPack } from './taskPack/taskPack';
export * from './icalendar';
export * from './table';
export * from './rosterCsv';
export * from './reportsCsv';
export * from './csv';
export * from './pdf';
export * from './outlineSvg';
