import { connect as connectSocket } from 'node:net';
import mariadb from 'mariadb';
import { Sequelize } from 'sequelize';
import { limitQuestions } from './driver';
import { Remembered } from './remembered';
import { readDatabaseUrl, type DatabaseAddress, type Host } from './databaseUrl';

export interface Database {
  readonly sequelize: Sequelize;
  readonly remembered: Remembered;
  close(): Promise<void>;
}

const CONNECT_MILLISECONDS = 2000;
/** Some 30 kB each: a library of ten districts, and what older versions of programs still use. */
const MOST_REMEMBERED = 1500;

/** Opens a pool on the MariaDB (or the cluster: the first host that answers) named by a `mariadb://` address. */
export function openDatabase(url: string, pool: { max?: number; questionMilliseconds?: number } = {}): Database {
  const address = readDatabaseUrl(url);
  const sequelize = new Sequelize({
    dialect: 'mariadb',
    dialectModule: mariadb,
    host: address.hosts[0].host,
    port: address.hosts[0].port,
    username: address.user,
    password: address.password,
    database: address.database,
    timezone: '+00:00',
    logging: false,
    define: { timestamps: false, freezeTableName: true, underscored: true },
    pool: { max: pool.max ?? 12, acquire: 6000, idle: 30_000 },
    dialectOptions: {
      // Sequelize turns these on, and a BIGINT that is too large then comes back as text, silently.
      supportBigNumbers: false,
      bigNumberStrings: false,
      bigIntAsNumber: false,
      insertIdAsNumber: true,
      autoJsonMap: true,
      connectTimeout: CONNECT_MILLISECONDS,
      charset: 'utf8mb4',
      sessionVariables: {
        sql_mode: 'STRICT_ALL_TABLES,ONLY_FULL_GROUP_BY,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION',
        innodb_lock_wait_timeout: 5,
      },
    },
    hooks: {
      async beforeConnect(config) {
        const host = await firstThatAnswers(address);
        config.host = host.host;
        config.port = String(host.port);
      },
    },
  });
  if (pool.questionMilliseconds) limitQuestions(sequelize, pool.questionMilliseconds);
  return { sequelize, remembered: new Remembered(MOST_REMEMBERED), close: () => sequelize.close() };
}

async function firstThatAnswers({ hosts }: DatabaseAddress): Promise<Host> {
  if (hosts.length === 1) return hosts[0];
  for (const host of hosts) if (await answers(host)) return host;
  return hosts[0];
}

/** True once a server says its greeting: one that hangs accepts a connection, too, and then says nothing. */
function answers({ host, port }: Host): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connectSocket({ host, port, timeout: CONNECT_MILLISECONDS });
    const end = (answer: boolean) => {
      socket.destroy();
      resolve(answer);
    };
    socket
      .once('data', () => end(true))
      .once('error', () => end(false))
      .once('close', () => end(false))
      .once('timeout', () => end(false));
  });
}
