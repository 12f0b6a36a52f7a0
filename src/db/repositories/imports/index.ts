export { listColumnsOf } from './read';
export { saveListColumns } from './write';
