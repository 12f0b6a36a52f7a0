import type { IncomingMessage, ServerResponse } from 'node:http';

/** A page's form is sent in no time; a clip from a phone on a slow line takes minutes. */
const SENDING_MILLISECONDS = 60_000;
export const SENDING_CLIP_MILLISECONDS = 300_000;

/** Aborts request bodies that take longer than the upload timeout. */
export function abortUnfinishedUpload(request: IncomingMessage, response: ServerResponse): void {
  const timer = setTimeout(() => {
    if (!request.complete) request.destroy();
  }, SENDING_MILLISECONDS).unref();
  response.once('close', () => clearTimeout(timer));
}

/** Slower than any line that could send a whole clip in its time. Our own choice. */
const SLOWEST_BYTES_A_SECOND = 10_000;
const FIRST_LOOK_MILLISECONDS = 20_000;

/** Frees the slot of an upload that is too slow to finish in time. */
export function abortSlowUpload(request: IncomingMessage, response: ServerResponse): void {
  const startedAt = Date.now();
  const before = request.socket.bytesRead;
  const timer = setInterval(() => {
    const seconds = (Date.now() - startedAt) / 1_000;
    if (!request.complete && request.socket.bytesRead - before < seconds * SLOWEST_BYTES_A_SECOND) request.destroy();
  }, FIRST_LOOK_MILLISECONDS).unref();
  response.once('close', () => clearInterval(timer));
}
