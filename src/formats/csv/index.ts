export { writeCsv } from './writeCsv';
