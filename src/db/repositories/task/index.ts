export {
  latestRefs,
  latestTasks,
  slugsOnOtherBenches,
  taskContents,
  taskDrafts,
  taskRecords,
  taskVersionsById,
  versionsOfTask,
} from './read';
export type { TaskDraft, TaskRecord, TaskVersion, VersionRef, WrittenVersion } from './read';
export { addTaskVersion, dropTaskDraft, saveTaskDraft } from './write';
export type { TaskOrigin } from './write';
