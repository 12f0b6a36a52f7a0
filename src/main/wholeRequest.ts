import { IncomingMessage } from 'node:http';

/** More than any form of ours; lists, calendars and packs are larger. Our own choice. */
const SMALL_BYTES = 64 * 1024;
/** Larger bodies that one address may send at once: one sender cannot fill the memory, nor the places of all others. Our own choice. */
const LARGE_FROM_ONE_ADDRESS = 4;

/** Counts what addresses have under way, and refuses one that has too many. */
export class AtOnce {
  private readonly counts = new Map<string, number>();

  constructor(private readonly most: number) {}

  /** False where the address has too many under way; who got true gives it back by `leave`. */
  enter(address: string): boolean {
    const count = this.counts.get(address) ?? 0;
    if (count >= this.most) return false;
    this.counts.set(address, count + 1);
    return true;
  }

  leave(address: string): void {
    const count = this.counts.get(address) ?? 0;
    if (count <= 1) this.counts.delete(address);
    else this.counts.set(address, count - 1);
  }
}

const large = new AtOnce(LARGE_FROM_ONE_ADDRESS);

/**
 * The same request once all of its body is here: it takes no place of a lane before, so that slow senders hold none.
 * @param address whose it is
 * @returns `turned away` where the address sends too many large bodies at once, `gone` where the sender went away
 */
export async function wholeRequest(request: IncomingMessage, address: string): Promise<IncomingMessage | 'turned away' | 'gone'> {
  const isLarge = !(Number(request.headers['content-length'] ?? NaN) <= SMALL_BYTES);
  if (isLarge && !large.enter(address)) return 'turned away';
  try {
    return withBody(request, await bodyOf(request));
  } catch {
    return 'gone';
  } finally {
    if (isLarge) large.leave(address);
  }
}

/** @throws Error where it broke off */
export async function bodyOf(request: IncomingMessage): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}

function withBody(request: IncomingMessage, body: Buffer): IncomingMessage {
  const { method, url, headers, rawHeaders, httpVersion, httpVersionMajor, httpVersionMinor } = request;
  const whole = new IncomingMessage(request.socket);
  Object.assign(whole, { method, url, headers, rawHeaders, httpVersion, httpVersionMajor, httpVersionMinor, complete: true });
  if (body.length > 0) whole.push(body);
  whole.push(null);
  return whole;
}
