import path from 'node:path';

/** Folder of the demo. */
export const DATA_FOLDER = path.resolve('.data');
