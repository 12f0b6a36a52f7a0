import path from 'node:path';

/** Where the demo keeps everything. */
export const DATA_FOLDER = path.resolve('.data');
