export { listColumnsOf } from './read';
export { keepListColumns } from './write';
