export {
  latestRefs,
  latestTasks,
  SHELVES,
  slugsOnOtherBenches,
  taskContents,
  taskDrafts,
  taskRecords,
  taskVersionsById,
  versionsOfTask,
} from './read';
export type { Shelf, TaskDraft, TaskRecord, TaskVersion, VersionRef, WrittenVersion } from './read';
export { addTaskVersion, dropTaskDraft, saveTaskDraft, setShelf } from './write';
export type { TaskOrigin } from './write';
