import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { bootstrap, find, tail, userFor } from './mariadb';
import { isAlive, waitFor, waitForEnd } from './processes';

/**
 * How long a cluster waits for a node that says nothing before it goes on without it. Galera's own values are for lines across continents:
 * with them every write stands still for five seconds and more when one node hangs. docs/running.md tells them to whoever sets a cluster up.
 */
export const PATIENCE =
  'evs.keepalive_period=PT0.4S;evs.inactive_check_period=PT0.2S;evs.suspect_timeout=PT1.2S;evs.inactive_timeout=PT2.4S;evs.install_timeout=PT2.4S';

const PROVIDERS = ['/usr/lib/galera/libgalera_smm.so', '/usr/lib/libgalera_smm.so'];
const BRIDGE = 'yardbr';
const PORTS = { sql: 3306, group: 4567, ist: 4568, sst: 4444 };
/** Addresses that are kept for examples (RFC 5737); still a machine may have given itself some. */
const EXAMPLES = ['198.51.100', '203.0.113', '192.0.2'];
const NETWORK = networkOfOurs();
const ADDRESS = (node: number) => `${NETWORK}.${10 + node}`;
const spaceOf = (node: number) => `yard${node}`;

export function galeraProvider(): string | null {
  return PROVIDERS.find((file) => existsSync(file)) ?? null;
}

interface Node {
  readonly folder: string;
  process: ChildProcess | null;
}

/**
 * Three nodes of a Galera cluster, each in a network of its own on this machine, so that one can be cut off as a broken line would.
 * Needs root, for the networks.
 */
export class Galera {
  private readonly nodes: readonly Node[];
  private readonly password = 'cluster-of-a-test';

  private constructor(folder: string) {
    this.nodes = [1, 2, 3].map((node) => ({ folder: path.join(folder, `node${node}`), process: null }));
  }

  static async start(folder: string): Promise<Galera> {
    const galera = new Galera(folder);
    Galera.forget(folder);
    makeNetworks();
    galera.makeFirst();
    await galera.run(0, true);
    for (const place of [1, 2]) await galera.run(place);
    return galera;
  }

  /** Takes away what a run before left behind. */
  static forget(folder: string): void {
    endNetworks();
    rmSync(folder, { recursive: true, force: true });
  }

  /** All nodes, in the order in which the program tries them. */
  get url(): string {
    const hosts = this.nodes.map((_, place) => `${ADDRESS(place + 1)}:${PORTS.sql}`).join(',');
    return `mariadb://yard:${this.password}@${hosts}/yard`;
  }

  urlOf(place: number): string {
    return `mariadb://yard:${this.password}@${ADDRESS(place + 1)}:${PORTS.sql}/yard`;
  }

  signal(place: number, signal: NodeJS.Signals): void {
    process.kill(this.pidOf(place), signal);
  }

  async kill(place: number): Promise<void> {
    const pid = this.pidOf(place);
    process.kill(pid, 'SIGKILL');
    await waitForEnd(pid, 10_000);
  }

  /** Takes away all that a node has, so that it is given everything anew when it joins. */
  empty(place: number): void {
    rmSync(this.nodes[place]!.folder, { recursive: true, force: true });
  }

  /** No packet between a node and the others; who asks it still reaches it. */
  cutFromOthers(place: number): void {
    for (const other of this.othersOf(place)) {
      inSpace(place + 1, 'ip', 'route', 'add', 'blackhole', `${ADDRESS(other + 1)}/32`);
      inSpace(other + 1, 'ip', 'route', 'add', 'blackhole', `${ADDRESS(place + 1)}/32`);
    }
  }

  joinOthers(place: number): void {
    for (const other of this.othersOf(place)) {
      inSpace(place + 1, 'ip', 'route', 'del', 'blackhole', `${ADDRESS(other + 1)}/32`);
      inSpace(other + 1, 'ip', 'route', 'del', 'blackhole', `${ADDRESS(place + 1)}/32`);
    }
  }

  /** The line of a node is pulled out: nobody reaches it, and nobody is told. */
  unplug(place: number): void {
    execFileSync('ip', ['link', 'set', `${spaceOf(place + 1)}h`, 'down']);
  }

  plugIn(place: number): void {
    execFileSync('ip', ['link', 'set', `${spaceOf(place + 1)}h`, 'up']);
  }

  /** The one node that is left is told to go on as the cluster. */
  goOnAlone(place: number): void {
    this.sql(place, "SET GLOBAL wsrep_provider_options = 'pc.bootstrap=1'");
  }

  /** Returns a node's status variable, such as `wsrep_cluster_size`. */
  status(place: number, name: string): string {
    return this.sql(place, `SHOW STATUS LIKE '${name}'`).split('\t')[1]?.trim() ?? '';
  }

  async untilSize(size: number): Promise<void> {
    const isWhole = (place: number) =>
      this.status(place, 'wsrep_cluster_size') === String(size) && this.status(place, 'wsrep_local_state') === '4';
    const running = this.nodes.map((_, place) => place).filter((place) => this.nodes[place]!.process !== null);
    await waitFor(`the cluster to have ${size} nodes`, () => running.every((place) => isWhole(place)), 90_000);
  }

  async stop(): Promise<void> {
    for (const node of this.nodes) {
      const pid = node.process?.pid;
      if (!pid || !isAlive(pid)) continue;
      process.kill(pid, 'SIGCONT');
      process.kill(pid, 'SIGKILL');
      await waitForEnd(pid, 20_000);
    }
    endNetworks();
  }

  /** @param isNew the first node makes the cluster; the others are given what it has */
  async run(place: number, isNew = false): Promise<void> {
    const node = this.nodes[place]!;
    const [data, temporary] = [path.join(node.folder, 'data'), path.join(node.folder, 'tmp')];
    for (const each of [node.folder, data, temporary]) mkdirSync(each, { recursive: true, mode: 0o755 });
    const runAs = userFor([node.folder, data, temporary]);
    const own = ADDRESS(place + 1);
    const members = isNew ? '' : this.nodes.map((_, each) => `${ADDRESS(each + 1)}:${PORTS.group}`).join(',');
    const log = path.join(node.folder, 'node.log');
    const out = openSync(log, 'a');
    node.process = spawn(
      'ip',
      [
        ...['netns', 'exec', spaceOf(place + 1), find('mariadbd')!, '--no-defaults', ...runAs],
        ...[`--datadir=${data}`, `--tmpdir=${temporary}`, `--socket=${node.folder}/s`, `--pid-file=${node.folder}/pid`],
        ...[`--bind-address=${own}`, `--port=${PORTS.sql}`, '--skip-name-resolve', '--performance-schema=OFF'],
        ...['--character-set-server=utf8mb4', '--collation-server=utf8mb4_unicode_ci', '--default-time-zone=+00:00'],
        ...['--binlog-format=ROW', '--innodb-autoinc-lock-mode=2', '--innodb-flush-log-at-trx-commit=1', '--max-connections=200'],
        ...['--wsrep-on=ON', `--wsrep-provider=${galeraProvider()}`, `--wsrep-cluster-address=gcomm://${members}`],
        ...[`--wsrep-node-address=${own}`, `--wsrep-node-name=node${place + 1}`, '--wsrep-sst-method=rsync'],
        ...[`--wsrep-sst-receive-address=${own}:${PORTS.sst}`, '--wsrep-slave-threads=4', '--wsrep-sst-donor=node2,'],
        `--wsrep-provider-options=gmcast.listen_addr=tcp://${own}:${PORTS.group};ist.recv_addr=${own}:${PORTS.ist};gcache.size=64M;${PATIENCE}`,
      ],
      { detached: true, stdio: ['ignore', out, out] },
    );
    node.process.unref();
    const { pid } = node.process;
    await waitFor(
      `node ${place + 1} to be synced (its log: ${log})`,
      () => {
        if (!isAlive(pid!)) throw new Error(`Node ${place + 1} ended at once:\n${tail(log)}`);
        return existsSync(`${node.folder}/s`) && this.status(place, 'wsrep_local_state') === '4';
      },
      90_000,
    );
  }

  private makeFirst(): void {
    const { folder } = this.nodes[0]!;
    const [data, temporary] = [path.join(folder, 'data'), path.join(folder, 'tmp')];
    for (const each of [folder, data, temporary]) mkdirSync(each, { recursive: true, mode: 0o755 });
    const runAs = userFor([folder, data, temporary]);
    execFileSync(
      find('mariadb-install-db')!,
      ['--no-defaults', `--datadir=${data}`, '--auth-root-authentication-method=normal', '--skip-test-db', '--skip-name-resolve', ...runAs],
      { stdio: 'pipe', env: { ...process.env, TMPDIR: temporary } },
    );
    bootstrap(
      ['--no-defaults', `--datadir=${data}`, `--tmpdir=${temporary}`, ...runAs],
      [
        'FLUSH PRIVILEGES',
        'CREATE DATABASE yard CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
        `CREATE USER 'yard'@'%' IDENTIFIED BY '${this.password}'`,
        "GRANT ALL PRIVILEGES ON `yard`.* TO 'yard'@'%' WITH GRANT OPTION",
      ],
    );
  }

  private othersOf(place: number): number[] {
    return this.nodes.map((_, each) => each).filter((each) => each !== place);
  }

  private pidOf(place: number): number {
    return Number(readFileSync(path.join(this.nodes[place]!.folder, 'pid'), 'utf8'));
  }

  private sql(place: number, statement: string): string {
    try {
      return execFileSync('mariadb', ['--no-defaults', '-N', '-uroot', `--socket=${this.nodes[place]!.folder}/s`, '-e', statement], {
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'ignore'],
        timeout: 3_000,
      });
    } catch {
      return '';
    }
  }
}

function inSpace(node: number, ...words: string[]): void {
  execFileSync('ip', ['netns', 'exec', spaceOf(node), ...words]);
}

/** The first that this machine reaches nobody by. */
function networkOfOurs(): string {
  const routes = existsSync('/usr/sbin/ip') ? execFileSync('ip', ['route'], { encoding: 'utf8' }) : '';
  const others = routes
    .split('\n')
    .filter((line) => !line.includes(BRIDGE))
    .join('\n');
  return EXAMPLES.find((network) => !others.includes(`${network}.`)) ?? EXAMPLES[0]!;
}

/** A network for each node, all on one bridge, at which the program is, too. */
function makeNetworks(): void {
  const run = (words: string) => execFileSync('ip', words.split(' '));
  run(`link add ${BRIDGE} type bridge`);
  run(`addr add ${NETWORK}.1/24 dev ${BRIDGE}`);
  run(`link set ${BRIDGE} up`);
  for (const node of [1, 2, 3]) {
    const space = spaceOf(node);
    run(`netns add ${space}`);
    run(`link add ${space}h type veth peer name ${space}n`);
    run(`link set ${space}h master ${BRIDGE}`);
    run(`link set ${space}h up`);
    run(`link set ${space}n netns ${space}`);
    inSpace(node, 'ip', 'addr', 'add', `${ADDRESS(node)}/24`, 'dev', `${space}n`);
    inSpace(node, 'ip', 'link', 'set', `${space}n`, 'up');
    inSpace(node, 'ip', 'link', 'set', 'lo', 'up');
  }
}

function endNetworks(): void {
  const run = (...words: string[]) => {
    try {
      execFileSync('ip', words, { stdio: 'ignore' });
    } catch {
      // It was not there.
    }
  };
  for (const node of [1, 2, 3]) {
    run('link', 'del', `${spaceOf(node)}h`);
    run('netns', 'del', spaceOf(node));
  }
  run('link', 'del', BRIDGE);
}
