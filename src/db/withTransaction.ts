import type { Database } from './database';
import { isDatabaseAway, isRetryable } from './databaseErrors';
import type { DriverConnection } from './driver';
import { workOfOneWrite, workOfReading, workOn, type Work } from './work';

const MOST_TRIES = 5;
const MOST_MOVES = 2;

/**
 * Runs all that belongs together in one transaction, and commits it. Deadlock and lock time-out start the whole once more,
 * a bounded number of times; every other error rolls back and goes on to the caller. The isolation is InnoDB's own,
 * repeatable read.
 */
export async function inTransaction<Answer>(database: Database, job: (work: Work) => Promise<Answer>): Promise<Answer> {
  await database.looked;
  return again(database, () => database.sequelize.transaction((transaction) => job(workOn(transaction))));
}

/**
 * Runs what is read for one screen, as it stood at one moment; writing and locking are refused. In a cluster it asks another node than the
 * one that is written to, which has all that was committed before; where that node goes away meanwhile, it is asked of the next.
 */
export async function inReading<Answer>(database: Database, job: (work: Work) => Promise<Answer>): Promise<Answer> {
  await database.looked;
  const read = () => database.reading.transaction((transaction) => job(workOfReading(transaction)));
  for (let moved = 0; ; moved += 1) {
    try {
      return await again(database, read);
    } catch (error) {
      if (moved >= MOST_MOVES || !isDatabaseAway(error) || !(await database.lookAgain())) throw error;
    }
  }
}

/**
 * Runs what reads and then writes one statement, which the database commits by itself: two round trips less than a
 * transaction, for the busiest door. A second writing statement is refused. Tried again like a transaction.
 */
export async function inOneWrite<Answer>(database: Database, job: (work: Work) => Promise<Answer>): Promise<Answer> {
  await database.looked;
  return again(database, async () => {
    const { sequelize } = database;
    const { connectionManager } = sequelize;
    const connection = await connectionManager.getConnection({ type: 'write' });
    try {
      return await job(workOfOneWrite(sequelize, connection as DriverConnection));
    } finally {
      connectionManager.releaseConnection(connection);
    }
  });
}

async function again<Answer>(database: Database, job: () => Promise<Answer>): Promise<Answer> {
  for (let tried = 1; ; tried += 1) {
    try {
      return await job();
    } catch (error) {
      // The next question is to find a node that answers; this one has its answer.
      if (isDatabaseAway(error)) void database.lookAgain();
      if (tried >= MOST_TRIES || !isRetryable(error)) throw error;
      await new Promise((resolve) => setTimeout(resolve, 10 * 2 ** tried));
    }
  }
}
