export {
  latestRefs,
  latestTasks,
  SHELVES,
  slugsInOtherDrafts,
  taskContents,
  taskDrafts,
  taskRecords,
  taskVersionsById,
  versionsOfTask,
} from './read';
export type { Shelf, TaskDraft, TaskRecord, TaskVersion, VersionRef, WrittenVersion } from './read';
export { addTaskVersion, deleteTaskDraft, saveTaskDraft, setShelf } from './write';
export type { TaskOrigin } from './write';
