import { parentPort } from 'node:worker_threads';
import { readClip, type ClipWish } from '../../formats/clip';

/** Reads clips on a thread of its own: one that its reader never finishes with holds up nobody else. */
parentPort!.on('message', ({ id, file, wish }: { id: number; file: Uint8Array; wish: ClipWish }) => {
  void readClip(file, wish).then(
    (read) => parentPort!.postMessage({ id, read }),
    (error: unknown) => parentPort!.postMessage({ id, fault: String(error) }),
  );
});
