import type { Migration } from './migration';

export const taskEditorPage: Migration = {
  name: '0004-task-bench',
  up: [
    // Stock tasks have no owner. A copy remembers the version that it was made from.
    `ALTER TABLE tasks
      ADD COLUMN owner_id BIGINT UNSIGNED NULL,
      ADD COLUMN copied_from BIGINT UNSIGNED NULL,
      ADD CONSTRAINT tasks_owner FOREIGN KEY (owner_id) REFERENCES people (id),
      ADD CONSTRAINT tasks_source FOREIGN KEY (copied_from) REFERENCES task_versions (id)`,
    // Work on the bench that is not a version yet: one for each person and task, also for tasks that are not in the library yet.
    `CREATE TABLE task_drafts (
      person_id BIGINT UNSIGNED NOT NULL,
      slug VARCHAR(60) NOT NULL,
      content JSON NOT NULL,
      based_on BIGINT UNSIGNED NULL,
      saved_at DATETIME(3) NOT NULL,
      PRIMARY KEY (person_id, slug),
      CONSTRAINT task_drafts_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE,
      CONSTRAINT task_drafts_version FOREIGN KEY (based_on) REFERENCES task_versions (id)
    )`,
    `ALTER TABLE version_tasks ADD COLUMN choices JSON NOT NULL DEFAULT '{}'`,
    `ALTER TABLE children ADD COLUMN task_settings JSON NOT NULL DEFAULT '{}'`,
    'ALTER TABLE reports ADD COLUMN minutes SMALLINT UNSIGNED NULL',
  ],
  down: [
    'ALTER TABLE reports DROP COLUMN minutes',
    'ALTER TABLE children DROP COLUMN task_settings',
    'ALTER TABLE version_tasks DROP COLUMN choices',
    'DROP TABLE task_drafts',
    'ALTER TABLE tasks DROP FOREIGN KEY tasks_owner, DROP FOREIGN KEY tasks_source, DROP COLUMN owner_id, DROP COLUMN copied_from',
  ],
};
