export { allChildren, caseloadFigures } from './read';
export type { CaseloadFigures, LedChild } from './read';
