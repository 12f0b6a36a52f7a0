import mariadb, { type Connection } from 'mariadb';
import type { DatabaseAddress, Host } from '../databaseUrl';

/** Between two looks at a host, and how long one may take: a host that hangs is known within two seconds. */
const LOOK_EVERY_MILLISECONDS = 400;
const LOOK_MILLISECONDS = 1_200;
/** `wsrep_local_state` of a node that has all that the cluster committed. */
const SYNCED = '4';

/** Looks at one host again and again by a line of its own, and tells what it finds each time. */
export class HostMonitor {
  private line: Connection | null = null;
  private timer: NodeJS.Timeout | null = null;
  private isClosed = false;
  private looking: Promise<void> | null = null;

  constructor(
    private readonly address: DatabaseAddress,
    private readonly host: Host,
    private readonly tell: (isReady: boolean) => void,
  ) {}

  /** Checks the host once; concurrent calls share the check in progress. */
  look(): Promise<void> {
    this.looking ??= this.lookOnce().finally(() => (this.looking = null));
    return this.looking;
  }

  begin(): Promise<void> {
    return this.look().then(() => this.goOn());
  }

  async close(): Promise<void> {
    this.isClosed = true;
    if (this.timer) clearTimeout(this.timer);
    await this.looking;
    this.hangUp();
  }

  private goOn(): void {
    if (this.isClosed) return;
    this.timer = setTimeout(() => void this.begin(), LOOK_EVERY_MILLISECONDS).unref();
  }

  private async lookOnce(): Promise<void> {
    const late = new StallTolerantTimeout(LOOK_MILLISECONDS);
    const isReady = await Promise.race([this.ask().catch(() => false), late.come]);
    late.end();
    if (!isReady) this.hangUp();
    this.tell(isReady);
  }

  private async ask(): Promise<boolean> {
    this.line ??= await this.dial();
    const rows = await this.line.query<{ Variable_name: string; Value: string }[]>(
      "SHOW STATUS WHERE Variable_name IN ('wsrep_provider_name', 'wsrep_ready', 'wsrep_local_state')",
    );
    const status = Object.fromEntries(rows.map((row) => [row.Variable_name, row.Value]));
    // A server that is no node of a cluster is ready as it is.
    if (!status.wsrep_provider_name) return true;
    return status.wsrep_ready === 'ON' && status.wsrep_local_state === SYNCED;
  }

  private async dial(): Promise<Connection> {
    const { user, password, database } = this.address;
    const line = await mariadb.createConnection({ ...this.host, user, password, database, connectTimeout: LOOK_MILLISECONDS });
    line.on('error', () => this.hangUp(line));
    // Closed meanwhile: no connection is needed.
    if (this.isClosed) line.destroy();
    return line;
  }

  private hangUp(line = this.line): void {
    line?.destroy();
    if (this.line === line) this.line = null;
  }
}

const TICK_MILLISECONDS = 100;

/** A deadline by time in which this process could have heard an answer: while it is busy itself, no host is late. */
class StallTolerantTimeout {
  readonly come: Promise<false>;
  private timer: NodeJS.Timeout | undefined;

  constructor(milliseconds: number) {
    this.come = new Promise((resolve) => {
      let left = Math.ceil(milliseconds / TICK_MILLISECONDS);
      this.timer = setInterval(() => {
        left -= 1;
        if (left <= 0) resolve(false);
      }, TICK_MILLISECONDS);
    });
  }

  end(): void {
    clearInterval(this.timer);
  }
}
