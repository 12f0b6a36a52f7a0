import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ExportSink, ExportSource } from '@/server/exchange/wholeWorkplace';

const LINES_AT_ONCE = 500;

/** An export as files in a folder. */
export class ExportFolder implements ExportSink, ExportSource {
  constructor(private readonly folder: string) {}

  async write(name: string, parts: AsyncIterable<string | Uint8Array>): Promise<void> {
    const file = path.join(this.folder, name);
    await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
    await pipeline(Readable.from(parts), createWriteStream(file, { mode: 0o600 }));
  }

  text(name: string): Promise<string> {
    return readFile(path.join(this.folder, name), 'utf8');
  }

  bytes(name: string): Promise<Uint8Array> {
    return readFile(path.join(this.folder, name));
  }

  async *lines(name: string): AsyncGenerator<readonly string[]> {
    let some: string[] = [];
    for await (const line of createInterface({ input: createReadStream(path.join(this.folder, name)), crlfDelay: Infinity })) {
      some.push(line);
      if (some.length < LINES_AT_ONCE) continue;
      yield some;
      some = [];
    }
    if (some.length > 0) yield some;
  }

  async sha256(name: string): Promise<string> {
    const sum = createHash('sha256');
    for await (const part of createReadStream(path.join(this.folder, name))) sum.update(part as Buffer);
    return sum.digest('hex');
  }
}
