import { countMigrations, inTransaction } from '@/db';
import type { Context } from '../context';
import { systemState, type SystemState } from './systemState';

export interface Health {
  readonly app: 'up';
  readonly database: 'up' | 'away';
  readonly migrations: number | null;
  /** State of the background parts; null where it could not be read. */
  readonly parts: SystemState | null;
}

/** Whether the application and its database answer, and what of the rest needs a person. */
export async function healthOf(context: Context): Promise<Health> {
  try {
    const migrations = await inTransaction(context.db, countMigrations);
    return { app: 'up', database: 'up', migrations, parts: await systemState(context).catch(() => null) };
  } catch {
    return { app: 'up', database: 'away', migrations: null, parts: null };
  }
}
