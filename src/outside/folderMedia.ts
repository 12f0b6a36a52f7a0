import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, readdir, readFile, rename, rm, stat, statfs } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import type { MediaStore } from '@/server/ports';

const NAME = /^[0-9a-f]{64}$/;

/** Media in a folder, each under its SHA-256: `ab/abcdef…`. Half a file is never seen: it is written beside and moved when it is whole. */
export class FolderMedia implements MediaStore {
  constructor(private readonly folder: string) {}

  async put(bytes: Uint8Array): Promise<string> {
    const name = createHash('sha256').update(bytes).digest('hex');
    const place = this.placeOf(name);
    await mkdir(path.dirname(place), { recursive: true, mode: 0o700 });
    const beside = `${place}.${randomUUID()}.part`;
    try {
      const file = await open(beside, 'wx', 0o600);
      try {
        await file.writeFile(bytes);
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(beside, place);
    } finally {
      await rm(beside, { force: true });
    }
    return name;
  }

  async read(name: string, span?: { readonly start: number; readonly end: number }): Promise<ReadableStream<Uint8Array> | null> {
    const place = this.placeOf(name);
    const isThere = await stat(place).then(
      () => true,
      () => false,
    );
    return isThere ? (Readable.toWeb(createReadStream(place, span)) as ReadableStream<Uint8Array>) : null;
  }

  whole(name: string): Promise<Uint8Array> {
    return readFile(this.placeOf(name));
  }

  async drop(name: string): Promise<void> {
    await rm(this.placeOf(name), { force: true });
    await this.dropHalves(name);
  }

  async dropHalves(name: string): Promise<void> {
    const folder = path.dirname(this.placeOf(name));
    const halves = (await readdir(folder).catch(() => [])).filter((file) => file.startsWith(`${name}.`));
    for (const half of halves) await rm(path.join(folder, half), { force: true });
  }

  async freeBytes(): Promise<number> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    const { bavail, bsize } = await statfs(this.folder);
    return bavail * bsize;
  }

  /** @throws Error for what is no name of ours: nothing outside of the folder is ever reached */
  private placeOf(name: string): string {
    if (!NAME.test(name)) throw new Error('Not the name of a stored file');
    return path.join(this.folder, name.slice(0, 2), name);
  }
}
