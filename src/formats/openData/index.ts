export { writeOpenCsv } from './csv';
export type { OpenColumn, OpenRow, OpenTable, OpenValue } from './column';
export { writeDictionary } from './dictionary';
export { writeOpenApi } from './openApi';
export { columnsByKey, pageOptionsSchema } from './rowSchema';
export { OPEN_TABLE_NAMES, OPEN_TABLES } from './tables';
export type { OpenTableName } from './tables';
