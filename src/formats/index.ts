export { readTaskPack, TASK_PACK_FORMAT, taskPackJsonSchema, writeTaskPack } from './taskPack';
export type { PackFault, TaskPack } from './taskPack';
