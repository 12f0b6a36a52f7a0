export { readingGrade } from './readingEase';
export type { TextCounts, WordingLanguage } from './readingEase';
export { checkWording, familyTextOf, MOST_GRADE } from './checkWording';
export type { WordingFinding, WordingVerdict } from './checkWording';
export { numbersInWords } from './numbersInWords';
export type { NumberInWords } from './numbersInWords';
