export { readTaskPack, taskPackJsonSchema, writeTaskPack } from './taskPack/taskPack';
export type { PackFault, TaskPack } from './taskPack/taskPack';
