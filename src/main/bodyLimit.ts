import type { IncomingMessage, ServerResponse } from 'node:http';

/**
 * Largest body of a family's page, and of a therapist's: a pack of tasks or a list of students is the largest. Videos use endpoints
 * of their own.
 */
const MOST_BYTES = { family: 64 * 1024, desk: 1_200_000, clip: 24 * 1024 * 1024 } as const;
export type Sender = keyof typeof MOST_BYTES;

/** True where what is sent says that it is no larger than a family's. */
export function isSmallBody({ headers }: IncomingMessage): boolean {
  return Number(headers['content-length'] ?? NaN) <= MOST_BYTES.family;
}

/** Grace period for a refused sender, in milliseconds: disconnected at once, it would not read the reason. */
const DRAIN_MILLISECONDS = 3_000;

/**
 * Refuses a body that is larger than any page of ours sends, before and while it is read, whatever its type. True where it was refused
 * at once; later, the answer is given by itself.
 */
export function refuseLargeBody(request: IncomingMessage, response: ServerResponse, sender: Sender): boolean {
  const most = MOST_BYTES[sender];
  const told = Number(request.headers['content-length'] ?? 0);
  if (!(told <= most)) {
    refuse(request, response);
    return true;
  }
  let bytes = 0;
  const push = request.push.bind(request) as (chunk: Buffer | null, encoding?: BufferEncoding) => boolean;
  request.push = ((chunk: Buffer | null, encoding?: BufferEncoding) => {
    bytes += chunk?.length ?? 0;
    if (bytes <= most) return push(chunk, encoding);
    // The reader sees an aborted body.
    if (!response.headersSent) refuse(request, response);
    else request.destroy();
    return false;
  }) as IncomingMessage['push'];
  return false;
}

function refuse(request: IncomingMessage, response: ServerResponse): void {
  response.writeHead(413, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' });
  response.end('That is more than a page of Yard Steps sends. Send it in smaller parts.');
  request.resume();
  setTimeout(() => request.destroy(), DRAIN_MILLISECONDS).unref();
}
