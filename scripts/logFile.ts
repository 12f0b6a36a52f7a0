import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { createStream } from 'rotating-file-stream';

export interface LogFile {
  write(text: string | Buffer): void;
  close(): Promise<void>;
}

/** A log that never fills a disk: ten files of ten megabytes, the newest is `yard.log`. */
export function openLog(dataFolder: string): LogFile {
  const folder = path.join(dataFolder, 'logs');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const stream = createStream('yard.log', { path: folder, size: '10M', maxFiles: 10, mode: 0o600, immutable: false });
  // A full disk must not end what serves.
  stream.on('error', (error) => process.stderr.write(`The log can’t be written: ${error.message}\n`));
  return {
    write: (text) => void stream.write(text),
    close: () => new Promise((resolve) => stream.end(() => resolve())),
  };
}
