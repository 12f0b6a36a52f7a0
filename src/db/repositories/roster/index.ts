export { rosterColumnsOf } from './read';
export { keepRosterColumns } from './write';
