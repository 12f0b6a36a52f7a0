export { notesOf } from './read';
export type { FamilyNote } from './read';
export { addNote, deleteNotesOfDecision } from './write';
export type { NewNote } from './write';
