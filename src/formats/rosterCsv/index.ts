export { USUAL_ROSTER_HEADINGS } from './columns';
export { MOST_ROSTER_ROWS, readRoster } from './read';
export type { RosterFinding, RosterRow } from './read';
export { ROSTER_TEMPLATE } from './template';
