export { codeLettersOf, taskLetters } from './codeLetters';
export type { CodeLetters } from './codeLetters';
export { readReply } from './readReply';
export type { ReplyContext } from './readReply';
export type { AskBack, ReplyItem, ReplyReading, ReplyTask } from './reading';
export { readAnswer } from './readAnswer';
export { readCell } from './readCell';
export type { CellIssue, CellReading } from './readCell';
