import { connect as connectSocket, type Socket } from 'node:net';
import type { Sequelize } from 'sequelize';
import type { DatabaseAddress, Host } from '../databaseUrl';
import { chooseHosts, WELL_MILLISECONDS, type HostState } from './chooseHosts';
import { HostMonitor } from './hostMonitor';

/** The lines of one pool to its host. The driver alone can't break one off to a host that hangs: it asks that host to end it. */
export class SocketRegistry {
  private sockets = new Set<Socket>();

  /** For the driver, which wants to be told of the line that is being opened. */
  readonly open =
    ({ host, port }: Host) =>
    (done: (error?: Error, socket?: Socket) => void): void => {
      const socket = connectSocket({ host, port });
      this.sockets = new Set([...this.sockets].filter((each) => !each.destroyed)).add(socket);
      done(undefined, socket);
    };

  /** Destroys all sockets: pending queries fail at once, and the pool opens new connections. */
  breakOff(): void {
    const broken = Object.assign(new Error('The host of this line is not well: the line was broken off'), { code: 'ECONNRESET' });
    for (const socket of this.sockets) socket.destroy(broken);
    this.sockets.clear();
  }
}

interface Place {
  readonly pool: Sequelize;
  readonly watch: HostMonitor;
  state: HostState;
}

/** The hosts of a cluster, each with a pool and a look-out of its own; who asks is given the pool that is right now. */
export class Hosts {
  private readonly places: readonly Place[];
  /** Settles when each has been checked for long enough; until then no connection is given out. */
  readonly looked: Promise<unknown>;

  constructor(address: DatabaseAddress, openPool: (host: Host, lines: SocketRegistry) => Sequelize) {
    this.places = address.hosts.map((host) => {
      const lines = new SocketRegistry();
      return this.place(address, host, lines, openPool(host, lines));
    });
    this.looked = this.lookOn();
  }

  get writer(): Sequelize {
    return this.chosen('writer');
  }

  get reader(): Sequelize {
    return this.chosen('reader');
  }

  /** A fault came from a host: all are looked at once more, now. */
  async lookAgain(): Promise<void> {
    await Promise.all(this.places.map(({ watch }) => watch.look()));
  }

  async close(): Promise<void> {
    await Promise.all(this.places.map(({ watch }) => watch.close()));
    await Promise.all(this.places.map(({ pool }) => pool.close()));
  }

  private async lookOn(): Promise<void> {
    await Promise.all(this.places.map(({ watch }) => watch.begin()));
    await new Promise((resolve) => setTimeout(resolve, WELL_MILLISECONDS));
  }

  /** With no host ready, the first one is used, so that its error says why. */
  private chosen(what: 'writer' | 'reader'): Sequelize {
    const states = this.places.map(({ state }) => state);
    return this.places[chooseHosts(states, process.pid, performance.now())?.[what] ?? 0]!.pool;
  }

  private place(address: DatabaseAddress, host: Host, lines: SocketRegistry, pool: Sequelize): Place {
    let isFirst = true;
    const watch = new HostMonitor(address, host, (isReady) => {
      if (isFirst || place.state.isReady !== isReady) place.state = { isReady, since: performance.now() };
      isFirst = false;
      if (!isReady) lines.breakOff();
    });
    const place: Place = { pool, watch, state: { isReady: false, since: performance.now() } };
    return place;
  }
}
