export { BrokenWhole, bringInWhole } from './bringIn';
export type { LinesOf } from './bringIn';
export { wholeColumns } from './columns';
export type { WholeKind } from './columns';
export { MEANINGS } from './meanings';
export type { WholeTable } from './meanings';
export { linesOfTable, referencesOf, WHOLE_TABLES } from './takeOut';
