export { cellOf, matchColumns, matchedHeadings } from './columns';
export { dateOrderOf, readDate } from './dates';
export { readTable } from './read';
export type { PastedTable, TableFault } from './read';
