import type { Database } from './database';
import { isRetryable } from './databaseErrors';
import { workOn, type Work } from './work';

const MOST_TRIES = 5;

/**
 * Runs all that belongs together in one transaction, and commits it. Deadlock and lock time-out start the whole once more,
 * a bounded number of times; every other error rolls back and goes on to the caller. The isolation is InnoDB's own,
 * repeatable read.
 */
export async function inTransaction<Answer>(database: Database, job: (work: Work) => Promise<Answer>): Promise<Answer> {
  for (let tried = 1; ; tried += 1) {
    try {
      return await database.sequelize.transaction((transaction) => job(workOn(database, transaction)));
    } catch (error) {
      if (tried >= MOST_TRIES || !isRetryable(error)) throw error;
      await new Promise((resolve) => setTimeout(resolve, 10 * 2 ** tried));
    }
  }
}
