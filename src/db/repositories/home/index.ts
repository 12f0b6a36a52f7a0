export { homeAnswerOf } from './read';
export type { HomeAnswer } from './read';
export { addHomeAnswer, settleHomeAnswers } from './write';
