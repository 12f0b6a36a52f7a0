import { parentPort } from 'node:worker_threads';
import { bad } from '@/core/result';
import { readClip, type ClipOptions } from '@/formats/clip';

/** Reads clips on a thread of its own: one that its reader never finishes with holds up nobody else. */
parentPort!.on('message', ({ file, options }: { file: Uint8Array; options: ClipOptions }) => {
  void readClip(file, options).then(
    (read) => parentPort!.postMessage(read),
    () => parentPort!.postMessage(bad({ code: 'notAClip' })),
  );
});
parentPort!.postMessage({ isReady: true });
