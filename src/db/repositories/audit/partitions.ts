import { addMonths, format, parse, startOfMonth } from 'date-fns';
import { QueryTypes } from 'sequelize';
import type { Instant } from '@/core/calendar';
import type { Database } from '../../database';

/** Made so many months ahead: whoever is away for a while finds room in the right place. */
const MONTHS_AHEAD = 3;
const LAST = 'later';

/** The month that a moment lies in, as its first day; moments are kept in UTC. */
function monthOf(moment: Instant): Date {
  const [day] = new Date(moment).toISOString().split('T');
  return startOfMonth(parse(day!, 'yyyy-MM-dd', new Date(0)));
}

const nameOf = (month: Date) => `m${format(month, 'yyyy_MM')}`;
const partOf = (month: Date) => `PARTITION ${nameOf(month)} VALUES LESS THAN ('${format(addMonths(month, 1), 'yyyy-MM-dd')}')`;
const REST = `PARTITION ${LAST} VALUES LESS THAN (MAXVALUE)`;

/** The months that the trail lies in; empty where it lies in one piece. */
export async function auditPartitions({ sequelize }: Database): Promise<string[]> {
  const rows = await sequelize.query<{ name: string | null }>(
    `SELECT PARTITION_NAME AS name FROM information_schema.PARTITIONS WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'audit' ORDER BY PARTITION_ORDINAL_POSITION`,
    { type: QueryTypes.SELECT },
  );
  return rows.flatMap(({ name }) => (name === null ? [] : [name]));
}

/**
 * Lays the trail by months, from its oldest row on. The key takes the moment in: a partitioned table's keys must.
 * @param owner the account that owns the schema
 * @returns false where it lies so already
 */
export async function layAuditByMonths(owner: Database, now: Instant): Promise<boolean> {
  if ((await auditPartitions(owner)).length > 0) return false;
  const [oldest] = await owner.sequelize.query<{ month: string | null }>("SELECT DATE_FORMAT(MIN(at), '%Y-%m-01') AS month FROM audit", {
    type: QueryTypes.SELECT,
  });
  const first = oldest?.month ? parse(oldest.month, 'yyyy-MM-dd', new Date(0)) : monthOf(now);
  const months = monthsBetween(first, addMonths(monthOf(now), MONTHS_AHEAD));
  await owner.sequelize.query(
    `ALTER TABLE audit DROP PRIMARY KEY, ADD PRIMARY KEY (id, at) PARTITION BY RANGE COLUMNS (at) (${[...months.map(partOf), REST].join(', ')})`,
  );
  return true;
}

/**
 * Makes the months that come, and gives the room of months that are empty by now back to the disk. Rows go before, a piece at a time, since
 * the chain writes down each piece. Where the trail lies in one piece nothing is done.
 */
export async function keepAuditMonths(owner: Database, now: Instant): Promise<void> {
  const known = await auditPartitions(owner);
  if (known.length === 0) return;
  const newest = known.filter((name) => name !== LAST).at(-1);
  const from = newest ? addMonths(parse(newest, "'m'yyyy_MM", new Date(0)), 1) : monthOf(now);
  const missing = monthsBetween(from, addMonths(monthOf(now), MONTHS_AHEAD));
  if (missing.length > 0)
    await owner.sequelize.query(`ALTER TABLE audit REORGANIZE PARTITION ${LAST} INTO (${[...missing.map(partOf), REST].join(', ')})`);
  for (const name of known) {
    if (name === LAST || name >= nameOf(monthOf(now))) break;
    // A month with rows, and what comes after it, is kept.
    if ((await countIn(owner, name)) > 0) break;
    await owner.sequelize.query(`ALTER TABLE audit DROP PARTITION ${name}`);
  }
}

async function countIn({ sequelize }: Database, name: string): Promise<number> {
  const [row] = await sequelize.query<{ rows: unknown }>(`SELECT COUNT(*) AS \`rows\` FROM audit PARTITION (${name})`, {
    type: QueryTypes.SELECT,
  });
  return Number(row?.rows ?? 0);
}

function monthsBetween(first: Date, last: Date): Date[] {
  const months: Date[] = [];
  for (let month = first; month <= last; month = addMonths(month, 1)) months.push(month);
  return months;
}
