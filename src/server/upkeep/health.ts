import { countMigrations, inTransaction } from '@/db';
import type { Context } from '../context';

export interface Health {
  readonly app: 'up';
  readonly database: 'up' | 'away';
  readonly migrations: number | null;
}

/** Whether the application and its database answer. */
export async function healthOf(context: Context): Promise<Health> {
  try {
    return { app: 'up', database: 'up', migrations: await inTransaction(context.db, countMigrations) };
  } catch {
    return { app: 'up', database: 'away', migrations: null };
  }
}
