import { QueryTypes } from 'sequelize';
import { Umzug, SequelizeStorage } from 'umzug';
import type { Database } from '../database';
import { baseline } from './0001-baseline';
import type { Migration } from './migration';
import { SchemaSteps } from './schemaSteps';

export const MIGRATIONS: readonly Migration[] = [baseline];

/** Families write in every alphabet: a database whose usual letters are others refuses their reports. It is set right before the first table, or refused with words. */
async function ensureLetters(sequelize: Database['sequelize']): Promise<void> {
  const rows = async (sql: string) => (await sequelize.query(sql, { type: QueryTypes.SELECT })) as Record<string, string>[];
  const [usual] = await rows('SELECT @@character_set_database AS letters, DATABASE() AS name');
  const tables = await rows(
    "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_TYPE = 'BASE TABLE' AND TABLE_COLLATION NOT LIKE 'utf8mb4%' AND TABLE_NAME <> 'schema_migrations'",
  );
  if (tables.length > 0)
    throw new Error(
      `${tables.length} tables of the database ${usual!.name} do not take every alphabet (the first is ${tables[0]!.name}). Reports in Arabic, or with an emoji, would be refused. Convert them: ALTER TABLE … CONVERT TO CHARACTER SET utf8mb4. Nothing was changed.`,
    );
  if (usual!.letters === 'utf8mb4') return;
  await sequelize.query(`ALTER DATABASE \`${usual!.name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`).catch((error: unknown) => {
    throw new Error(
      `The database ${usual!.name} does not take every alphabet, and could not be changed. Run: ALTER DATABASE ${usual!.name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
      { cause: error },
    );
  });
}

/**
 * Migrates one database. When `up()` or `down()` is interrupted, the next call continues after the last statement that was done.
 * @param migrations all that the program knows, oldest first
 */
export function migrator({ sequelize }: Database, migrations = MIGRATIONS) {
  const steps = new SchemaSteps(sequelize);
  const storage = new SequelizeStorage({ sequelize, tableName: 'schema_migrations' });
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: () => steps.run(name, 'up', up),
      down: () => steps.run(name, 'down', down),
    })),
    storage,
    logger: undefined,
  });
  const whole = async (moving: ReturnType<typeof umzug.up>) => {
    const moved = await moving;
    await steps.forget();
    return moved;
  };
  const refuseUnknown = async () => {
    const known = new Set(migrations.map(({ name }) => name));
    const strange = (await storage.executed()).find((name) => !known.has(name));
    if (strange)
      throw new Error(
        `This database was made by another version of Yard Steps: its schema has ${strange}, which this version does not know. Start the version that made it, or an empty database. Nothing was changed.`,
      );
  };
  return {
    pending: () => umzug.pending(),
    executed: () => umzug.executed(),
    /**
     * @param options which ones; all where left out
     * @throws Error where the database holds a migration that is not known
     */
    up: async (options?: { migrations: string[] }) => {
      await refuseUnknown();
      await ensureLetters(sequelize);
      return whole(umzug.up(options));
    },
    /** @param options how far; one migration where left out */
    down: (options?: { to: 0 }) => whole(umzug.down(options)),
  };
}
