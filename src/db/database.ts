import mariadb from 'mariadb';
import { Sequelize } from 'sequelize';
import { Hosts, type SocketRegistry } from './cluster/hosts';
import { limitQuestions } from './driver';
import { readDatabaseUrl, type DatabaseAddress, type Host } from './databaseUrl';

export interface Database {
  /** The pool that is written through; of a cluster that of the node which all processes write to now. */
  readonly sequelize: Sequelize;
  /** The pool that is only read through. */
  readonly reading: Sequelize;
  /** Settles when a cluster's nodes have been checked for the first time. */
  readonly looked: Promise<unknown>;
  /** A line broke: which nodes of a cluster are well is looked at now. False where there is but one host. */
  lookAgain(): Promise<boolean>;
  close(): Promise<void>;
}

const CONNECT_MILLISECONDS = 2000;

interface PoolOptions {
  readonly max?: number;
  readonly questionMilliseconds?: number;
}

/** Opens a pool on the MariaDB, or one on each node of the cluster, named by a `mariadb://` address. */
export function openDatabase(url: string, options: PoolOptions = {}): Database {
  const address = readDatabaseUrl(url);
  if (address.hosts.length === 1) {
    const sequelize = openPool(address, address.hosts[0], options);
    return {
      sequelize,
      reading: sequelize,
      looked: Promise.resolve(),
      lookAgain: async () => false,
      close: () => sequelize.close(),
    };
  }
  const hosts = new Hosts(address, (host, lines) => openPool(address, host, options, lines));
  return {
    get sequelize() {
      return hosts.writer;
    },
    get reading() {
      return hosts.reader;
    },
    looked: hosts.looked,
    lookAgain: async () => {
      await hosts.lookAgain();
      return true;
    },
    close: () => hosts.close(),
  };
}

/** @param lines of a cluster's node, so that they can be broken off */
function openPool(
  { user, password, database }: DatabaseAddress,
  { host, port }: Host,
  options: PoolOptions,
  lines?: SocketRegistry,
): Sequelize {
  const sequelize = new Sequelize({
    dialect: 'mariadb',
    dialectModule: mariadb,
    host,
    port,
    username: user,
    password,
    database,
    timezone: '+00:00',
    logging: false,
    define: { timestamps: false, freezeTableName: true, underscored: true },
    pool: { max: options.max ?? 12, acquire: 6000, idle: 30_000 },
    dialectOptions: {
      // Sequelize turns these on, and a BIGINT that is too large then comes back as text, silently.
      supportBigNumbers: false,
      bigNumberStrings: false,
      bigIntAsNumber: false,
      insertIdAsNumber: true,
      autoJsonMap: true,
      connectTimeout: CONNECT_MILLISECONDS,
      charset: 'utf8mb4',
      ...(lines && { stream: lines.open({ host, port }) }),
      sessionVariables: {
        sql_mode: 'STRICT_ALL_TABLES,ONLY_FULL_GROUP_BY,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION',
        innodb_lock_wait_timeout: 5,
        // Read-your-writes across nodes: a query waits until its node has caught up.
        ...(lines && { wsrep_sync_wait: 1 }),
      },
    },
  });
  if (options.questionMilliseconds) limitQuestions(sequelize, options.questionMilliseconds);
  return sequelize;
}
