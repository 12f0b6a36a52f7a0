export {
  countText,
  fernandezHuertaEase,
  fleschKincaidGrade,
  fleschReadingEase,
  readingGrade,
  spanishGrade,
  syllablesOf,
} from './readingEase';
export type { TextCounts, WordingLanguage } from './readingEase';
export { checkWording, familyTextOf, findJargon, MOST_GRADE } from './checkWording';
export type { WordingFinding, WordingVerdict } from './checkWording';
export { numbersInWords } from './numbersInWords';
export type { NumberInWords } from './numbersInWords';
export { ENGLISH_JARGON, SPANISH_JARGON } from './jargon';
