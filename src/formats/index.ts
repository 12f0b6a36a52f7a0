export { readTaskPack, TASK_PACK_FORMAT, taskPackJsonSchema, writeTaskPack } from './taskPack/taskPack';
export type { PackFault, TaskPack } from './taskPack/taskPack';
