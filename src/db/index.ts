export { openDatabase } from './database';
export type { Database } from './database';
export { isDatabaseAway, isDuplicate } from './databaseErrors';
export { inTransaction } from './withTransaction';
export type { Replacements, Work } from './work';
export { migrator } from './migrations';
export * from './repositories';
