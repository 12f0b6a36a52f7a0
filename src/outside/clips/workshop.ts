import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { bad, type Result } from '@/core/result';
import type { ClipIssue, ClipOptions, ReadClip } from '@/formats/clip';
import { readPicture } from '@/formats/picture';
import type { ClipWorkshop } from '@/server/ports';
import { makeForms } from './ffmpeg';

type Read = Result<ReadClip, ClipIssue>;

/** A good clip of 20 MB is read within a second; what takes so long is not one. A broken file may keep its reader busy for ever. */
const PATIENCE_MILLISECONDS = 5_000;

/** Clips are read on one thread, one after the other; the small forms are made by Debian's ffmpeg, where it is installed. */
export class Workshop implements ClipWorkshop {
  private worker: Worker | null = null;
  private before: Promise<unknown> = Promise.resolve();

  constructor(private readonly patienceMilliseconds = PATIENCE_MILLISECONDS) {}

  readonly readPicture = readPicture;
  readonly makeForms = makeForms;

  readClip(file: Uint8Array, options: ClipOptions): Promise<Read> {
    const read = this.before.then(() => this.readNext(file, options));
    this.before = read.catch(() => {});
    return read;
  }

  /** Ends the thread; a later clip begins a new one. */
  async close(): Promise<void> {
    await this.worker?.terminate();
    this.worker = null;
  }

  private async readNext(file: Uint8Array, options: ClipOptions): Promise<Read> {
    const worker = (this.worker ??= await begun());
    worker.ref();
    const read = await new Promise<Read | null>((resolve) => {
      // A file that brings its reader down, or never lets it come to an end, is no clip.
      const broken = () => settle(null);
      const settle = (answer: Read | null) => {
        clearTimeout(timer);
        worker.off('message', settle);
        worker.off('exit', broken);
        resolve(answer);
      };
      const timer = setTimeout(broken, this.patienceMilliseconds);
      worker.on('message', settle);
      worker.on('exit', broken);
      worker.postMessage({ file, options });
    });
    // A process that has nothing else to do may end.
    worker.unref();
    if (!read) await this.close();
    return read ?? bad({ code: 'notAClip' });
  }
}

/** A thread that answers. @throws Error where none can be begun: that is no fault of any file */
function begun(): Promise<Worker> {
  const worker = new Worker(path.join(/* turbopackIgnore: true */ process.cwd(), 'scripts', 'run.mjs'), {
    argv: ['src/outside/clips/answerClips.ts'],
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  });
  return new Promise((resolve, reject) => {
    worker.once('message', () => resolve(worker));
    // Later on it only ends: whoever waits for an answer then hears of the end.
    worker.on('error', reject);
    worker.once('exit', () => reject(new Error('The thread that reads clips ended')));
  });
}
