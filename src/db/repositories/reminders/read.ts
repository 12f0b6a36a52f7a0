import { remindersSchema, type Reminders } from '@/core/students';
import { reading } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

const readReminders = reading<Reminders>('reminders', remindersSchema);

/** When a family wishes to be reminded; null where it never said. */
export async function remindersOf(work: Work, childId: number): Promise<Reminders | null> {
  const [row] = await tablesOf(work).select<{ reminders: unknown }>('SELECT reminders FROM children WHERE id = :childId', { childId });
  return row?.reminders ? readReminders(row.reminders) : null;
}

export interface RemindedChild {
  readonly childId: number;
  readonly timeZone: string;
  readonly reminders: Reminders;
}

/** The children on a caseload whose families wish to be reminded. */
export async function childrenWithReminders(work: Work): Promise<RemindedChild[]> {
  const rows = await tablesOf(work).select<{ childId: number; timeZone: string; reminders: unknown }>(
    'SELECT id AS childId, time_zone AS timeZone, reminders FROM children WHERE reminders IS NOT NULL AND left_on IS NULL',
  );
  return rows.map((row) => ({ ...row, reminders: readReminders(row.reminders) }));
}
