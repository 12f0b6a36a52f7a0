import type { Server as HttpServer } from 'node:http';
import { Server as NetServer, type Socket } from 'node:net';

/** A connection that was silent for so long is one on which nothing is under way: it is closed without cutting anything off. */
const SILENT_MILLISECONDS = 1_000;
const LONGEST_LINE_MILLISECONDS = 2_000;

/**
 * How a web server ends without cutting anybody off: it takes no new connection, each open one is closed with its next answer, and one on
 * which nothing comes any more is closed by itself. `http.Server.close` would close the silent ones at once, and with them whatever a
 * family has just sent on one.
 */
export class GracefulShutdown {
  private readonly open = new Set<Socket>();
  private hasBegun = false;
  private letIn = 0;

  constructor(private readonly server: HttpServer) {
    server.on('connection', (socket: Socket) => {
      this.letIn += 1;
      this.open.add(socket);
      socket.once('close', () => this.open.delete(socket));
    });
    server.prependListener('request', (_request, response) => {
      if (this.hasBegun) response.setHeader('Connection', 'close');
    });
  }

  /** @param graceMilliseconds what is still under way then is given up */
  async begin(graceMilliseconds: number): Promise<void> {
    this.hasBegun = true;
    await this.lineOfThePort();
    const closed = new Promise<void>((resolve) => NetServer.prototype.close.call(this.server, () => resolve()));
    const silent = setTimeout(() => this.server.closeIdleConnections(), SILENT_MILLISECONDS);
    const late = new Promise<void>((resolve) => setTimeout(resolve, graceMilliseconds).unref());
    // Answers that were under way without the word "close" leave their connection open: it is looked after again and again.
    const again = setInterval(() => this.server.closeIdleConnections(), SILENT_MILLISECONDS * 2);
    await Promise.race([closed, late]);
    clearTimeout(silent);
    clearInterval(again);
    for (const socket of this.open) socket.destroy();
  }

  /**
   * Waits till nobody stands in the line of the port, where one is let in a turn: who still stands there when it closes is reset. What comes
   * in the very instant of closing nobody can see; it is reset before a word of it was taken.
   */
  private async lineOfThePort(): Promise<void> {
    const until = Date.now() + LONGEST_LINE_MILLISECONDS;
    let before: number;
    do {
      before = this.letIn;
      await new Promise((resolve) => setImmediate(resolve));
    } while (this.letIn > before && Date.now() < until);
  }
}
