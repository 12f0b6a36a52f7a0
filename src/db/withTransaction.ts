import type { Database } from './database';
import { isRetryable } from './databaseErrors';
import type { DriverConnection } from './driver';
import { workOfOneWrite, workOn, type Work } from './work';

const MOST_TRIES = 5;

/**
 * Runs all that belongs together in one transaction, and commits it. Deadlock and lock time-out start the whole once more,
 * a bounded number of times; every other error rolls back and goes on to the caller. The isolation is InnoDB's own,
 * repeatable read.
 */
export async function inTransaction<Answer>(database: Database, job: (work: Work) => Promise<Answer>): Promise<Answer> {
  return again(() => database.sequelize.transaction((transaction) => job(workOn(database, transaction))));
}

/**
 * Runs what reads and then writes one statement, which the database commits by itself: two round trips less than a
 * transaction, for the busiest door. A second writing statement is refused. Tried again like a transaction.
 */
export async function inOneWrite<Answer>(database: Database, job: (work: Work) => Promise<Answer>): Promise<Answer> {
  const { connectionManager } = database.sequelize;
  return again(async () => {
    const connection = await connectionManager.getConnection({ type: 'write' });
    try {
      return await job(workOfOneWrite(database, connection as DriverConnection));
    } finally {
      connectionManager.releaseConnection(connection);
    }
  });
}

async function again<Answer>(job: () => Promise<Answer>): Promise<Answer> {
  for (let tried = 1; ; tried += 1) {
    try {
      return await job();
    } catch (error) {
      if (tried >= MOST_TRIES || !isRetryable(error)) throw error;
      await new Promise((resolve) => setTimeout(resolve, 10 * 2 ** tried));
    }
  }
}
