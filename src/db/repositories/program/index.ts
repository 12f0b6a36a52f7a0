export {
  changeOfDecision,
  currentVersions,
  draftOf,
  gradeChanges,
  versionHolding,
  versionOf,
  versionOfDecision,
  tasksByVersion,
  versionsSince,
} from './read';
export type { ChangeCause, ChangeOfDecision, RecordedChange } from './read';
export { addGradeChange, addVersion, dropDraft, lockProgram, saveDraft } from './write';
export type { NewGradeChange, NewVersion } from './write';
