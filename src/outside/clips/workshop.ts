import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { bad, type Result } from '@/core/result';
import type { ClipIssue, ClipWish, ReadClip } from '@/formats/clip';
import { readPicture } from '@/formats/picture';
import type { ClipWorkshop } from '@/server/ports';
import { makeForms } from './ffmpeg';

type Read = Result<ReadClip, ClipIssue>;

/** A good clip of 20 MB is read within a second; what takes so long is not one. */
const PATIENCE_MILLISECONDS = 15_000;

/** Clips are read on one thread, one after the other; the small forms are made by Debian's ffmpeg, where it is installed. */
export class Workshop implements ClipWorkshop {
  private worker: Worker | null = null;
  private before: Promise<unknown> = Promise.resolve();

  readonly readPicture = readPicture;
  readonly makeForms = makeForms;

  readClip(file: Uint8Array, wish: ClipWish): Promise<Read> {
    const read = this.before.then(() => this.readNext(file, wish));
    this.before = read.catch(() => {});
    return read;
  }

  /** Ends the thread; a later clip begins a new one. */
  async close(): Promise<void> {
    await this.worker?.terminate();
    this.worker = null;
  }

  private readNext(file: Uint8Array, wish: ClipWish): Promise<Read> {
    const worker = (this.worker ??= new Worker(
      path.join(/* turbopackIgnore: true */ process.cwd(), 'src', 'outside', 'clips', 'readThread.ts'),
      { execArgv: ['--import', 'tsx'], resourceLimits: { maxOldGenerationSizeMb: 512 } },
    ));
    worker.ref();
    return new Promise((resolve) => {
      const settle = (read: Read, isWell: boolean) => {
        clearTimeout(timer);
        worker.removeAllListeners();
        if (isWell) worker.unref();
        else {
          this.worker = null;
          // What it says while it ends concerns nobody.
          worker.on('error', () => {});
          void worker.terminate();
        }
        resolve(read);
      };
      // A file that brings its reader down, or never lets it come to an end, is no clip.
      const timer = setTimeout(() => settle(bad({ code: 'notAClip' }), false), PATIENCE_MILLISECONDS);
      worker.on('message', ({ read }: { read?: Read }) => settle(read ?? bad({ code: 'notAClip' }), read !== undefined));
      worker.on('error', () => settle(bad({ code: 'notAClip' }), false));
      worker.on('exit', () => settle(bad({ code: 'notAClip' }), false));
      worker.postMessage({ id: 1, file, wish });
    });
  }
}
