import type { Context } from './context';
import { inTransaction } from '@/db';

export interface Health {
  readonly app: 'up';
  readonly database: 'up' | 'away';
  readonly migrations: number | null;
}

/** Whether the application and its database answer. */
export async function healthOf(context: Context): Promise<Health> {
  try {
    const [row] = await inTransaction(context.db, (work) =>
      work.select<{ count: number }>('SELECT COUNT(*) AS count FROM schema_migrations'),
    );
    return { app: 'up', database: 'up', migrations: row?.count ?? 0 };
  } catch {
    return { app: 'up', database: 'away', migrations: null };
  }
}
