import type { CalendarDay, Instant } from '@/core/calendar';
import { momentText, tablesOf, type Work } from '../../work';
import type { TableName } from '../../models/tables';

/** Tables whose rows expire, and the moment of it. */
const OVER = {
  sign_in_tries: 'ends_at < :moment',
  sign_ins: 'COALESCE(revoked_at, expires_at) < :moment',
  known_devices: 'seen_at < :moment',
  invitations: 'COALESCE(used_at, expires_at) < :moment',
  password_links: 'COALESCE(used_at, expires_at) < :moment',
  // Texts that nobody settled are kept: a person has to look at them.
  incoming_texts: 'settled_at < :moment',
  messages: "created_at < :moment AND status <> 'waiting'",
} as const satisfies Partial<Record<TableName, string>>;

export type Passing = keyof typeof OVER;

/** Takes away what was over before a moment, so many at once. Gives back how many went. */
export async function dropPassed(work: Work, what: Passing, moment: Instant, most: number): Promise<number> {
  const tables = tablesOf(work);
  const key = what === 'sign_in_tries' ? 'try_key' : 'id';
  const old = await tables.select<{ key: number | string }>(
    `SELECT ${key} AS \`key\` FROM ${what} WHERE ${OVER[what]} ORDER BY ${key} LIMIT :most`,
    { moment: momentText(moment), most },
  );
  if (old.length === 0) return 0;
  return tables.remove(what, { [key]: old.map((row) => row.key) });
}

/** Children who left the caseload before a day, the longest ago first. */
export async function childrenLeftBefore(work: Work, day: CalendarDay, most: number): Promise<readonly number[]> {
  const rows = await tablesOf(work).select<{ id: number }>(
    'SELECT id FROM children WHERE left_on < :day ORDER BY left_on, id LIMIT :most',
    {
      day,
      most,
    },
  );
  return rows.map(({ id }) => id);
}
