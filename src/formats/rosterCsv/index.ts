export { headingKey, matchColumns } from './columns';
export { dateOrderOf } from './dates';
export { readRoster, readRosterTable } from './read';
export type { RosterFault, RosterFinding, RosterRow, RosterTable } from './read';
export { ROSTER_TEMPLATE } from './template';
