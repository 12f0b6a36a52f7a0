import { startMariaDb, type PrivateMariaDb } from './mariadb';
import { isAlive } from './processes';

const LOOK_MILLISECONDS = 500;

/** The private MariaDB, started anew on its port where it ends without being asked to. */
export class WatchedDatabase {
  private timer: NodeJS.Timeout | null = null;
  private isStarting = false;

  private constructor(
    private readonly place: string,
    private server: PrivateMariaDb,
    private readonly keepsLog: boolean,
    private readonly say: (text: string) => void,
  ) {}

  static async begin(
    place: string,
    options: { port?: number | undefined; keepsLog: boolean },
    say: (text: string) => void,
  ): Promise<WatchedDatabase> {
    const watched = new WatchedDatabase(place, await startMariaDb(place, options), options.keepsLog, say);
    watched.watch();
    return watched;
  }

  get current(): PrivateMariaDb {
    return this.server;
  }

  private watch(): void {
    this.timer = setInterval(() => void this.look(), LOOK_MILLISECONDS);
    this.timer.unref();
  }

  private async look(): Promise<void> {
    if (this.isStarting || isAlive(this.server.pid)) return;
    this.isStarting = true;
    this.say('MariaDB ended. Starting it again.');
    try {
      const server = await startMariaDb(this.place, { port: this.server.port, keepsLog: this.keepsLog });
      if (server.port !== this.server.port) throw new Error(`its port ${this.server.port} is taken`);
      this.server = server;
    } catch (error) {
      this.say(`MariaDB does not start: ${error instanceof Error ? error.message : String(error)}`);
    } finally {
      this.isStarting = false;
    }
  }

  /** Ends it; it is not started anew before `startAgain`. */
  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    await this.server.stop();
  }

  async startAgain(): Promise<void> {
    this.server = await startMariaDb(this.place, { port: this.server.port, keepsLog: this.keepsLog });
    this.watch();
  }
}
