export { readOutline, type OutlineFault, type ReadOutline } from './readOutline';
