import { QueryTypes } from 'sequelize';
import type { Database } from './database';

/** The trail is appended to and read: what the account that serves can't do, nobody does through it. */
const LESS = new Map([
  ['audit', 'SELECT, INSERT'],
  ['audit_drops', 'SELECT'],
  ['audit_head', 'SELECT, UPDATE'],
  // A group that is there already is looked up by an update that changes nothing; what it says is part of each row's hash.
  ['audit_groups', 'SELECT, INSERT, UPDATE'],
  ['audit_group_children', 'SELECT, INSERT'],
  ['schema_migrations', 'SELECT'],
]);
const USUAL = 'SELECT, INSERT, UPDATE, DELETE';

/**
 * Lets the account that serves read and write every table, and no more: no change of the schema, no row of the trail changed or taken away.
 * @param owner of the schema, with the right to grant
 * @param account as the server names it: `user@host`
 */
export async function grantToServe({ sequelize }: Database, account: string): Promise<void> {
  const [user, host] = account.split(/@(?=[^@]*$)/);
  if (!user || !host || /['\\]/.test(account)) throw new Error(`"${account}" is no account of a database`);
  const tables = await sequelize.query<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE'",
    { type: QueryTypes.SELECT },
  );
  for (const { name } of tables) await sequelize.query(`GRANT ${LESS.get(name) ?? USUAL} ON \`${name}\` TO '${user}'@'${host}'`);
}

/** The account of a connection, as the server names it. */
export async function accountOf({ sequelize }: Database): Promise<string> {
  const [row] = await sequelize.query<{ account: string }>('SELECT CURRENT_USER() AS account', { type: QueryTypes.SELECT });
  return row!.account;
}
