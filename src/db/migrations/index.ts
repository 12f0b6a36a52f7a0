import { QueryTypes } from 'sequelize';
import { Umzug, SequelizeStorage } from 'umzug';
import type { Database } from '../database';
import { peopleChildrenTasks } from './0001-people-children-tasks';
import { programsReports } from './0002-programs-reports';
import { roundsPostAudit } from './0003-rounds-post-audit';
import { taskEditorPage } from './0004-task-bench';
import { outboxIntakeAudit } from './0005-outbox-intake-audit';
import { reportsTrail } from './0006-reports-trail';
import { stopsNotes } from './0007-stops-notes';
import { targetsByStep } from './0008-targets-by-step';
import { postHeld } from './0009-post-held';
import { rest } from './0010-rest';
import { invitations } from './0011-invitations';
import { firstHours } from './0012-first-hours';
import { trust } from './0013-trust';
import { shelf } from './0014-shelf';
import { corrections } from './0015-corrections';
import { reasons } from './0016-reasons';
import { watched } from './0017-watched';
import { readDays } from './0018-read-days';
import { phrases } from './0023-phrases';
import { listsAndViews } from './0024-lists-and-views';
import { printed } from './0025-printed';
import { progress } from './0026-progress';
import { wording } from './0027-wording';
import { plansKits } from './0028-plans-kits';
import { clips } from './0029-clips';
import { apiKeys } from './0031-api-keys';
import { evidenceIndex } from './0032-evidence-index';
import { comments } from './0033-comments';
import { systemMarks } from './0034-system-marks';
import { ruleReason } from './0030-rule-reason';
import { measurements } from './0022-measurements';
import { rules } from './0021-rules';
import { texts } from './0019-texts';
import { teachers } from './0020-teachers';
import type { Migration } from './migration';
import { SchemaSteps } from './schemaSteps';

export const MIGRATIONS: readonly Migration[] = [
  peopleChildrenTasks,
  programsReports,
  roundsPostAudit,
  taskEditorPage,
  outboxIntakeAudit,
  reportsTrail,
  stopsNotes,
  targetsByStep,
  postHeld,
  rest,
  invitations,
  firstHours,
  trust,
  shelf,
  corrections,
  reasons,
  watched,
  readDays,
  texts,
  teachers,
  rules,
  measurements,
  phrases,
  listsAndViews,
  printed,
  progress,
  wording,
  plansKits,
  clips,
  ruleReason,
  apiKeys,
  evidenceIndex,
  comments,
  systemMarks,
];

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

/** The schema's steps over one database. Whatever breaks `up()` or `down()` off, the next one goes on from there. */
export function migrator({ sequelize }: Database) {
  const steps = new SchemaSteps(sequelize);
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => steps.run(name, 'up', up),
      down: () => steps.run(name, 'down', down),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'schema_migrations' }),
    logger: undefined,
  });
  const whole = async (moving: ReturnType<typeof umzug.up>) => {
    const moved = await moving;
    await steps.forget();
    return moved;
  };
  return {
    pending: () => umzug.pending(),
    executed: () => umzug.executed(),
    /** @param wish which; all where left out */
    up: async (options?: { migrations: string[] }) => {
      await ensureLetters(sequelize);
      return whole(umzug.up(options));
    },
    /** @param wish how far; one step where left out */
    down: (options?: { to: 0 }) => whole(umzug.down(options)),
  };
}
