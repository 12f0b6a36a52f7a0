export { notesOf } from './read';
export type { FamilyNote } from './read';
export { addNote, dropNotesOfDecision } from './write';
export type { NewNote } from './write';
