export {
  changeOfDecision,
  currentVersions,
  draftOf,
  gradeChanges,
  versionHolding,
  versionOf,
  versionOfDecision,
  tasksByVersion,
  printedLogs,
  unprintedOf,
  skinChanges,
  tasksGivenSince,
  versionsSince,
} from './read';
export type { ChangeCause, ChangeOfDecision, GivenTask, PrintedLog, RecordedChange } from './read';
export { addGradeChange, addVersion, deleteDraft, lockProgram, markPrinted, saveDraft } from './write';
export type { NewGradeChange, NewVersion } from './write';
