export { readCsv, writeCsv } from './writeCsv';
