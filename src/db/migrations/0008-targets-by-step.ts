import type { Migration } from './migration';

export const targetsByStep: Migration = {
  name: '0008-targets-by-step',
  up: [
    // What each step asks for in a day; NULL in versions of old, which have one target for all their steps.
    `ALTER TABLE version_tasks
      DROP CONSTRAINT version_tasks_target,
      MODIFY target DOUBLE NULL,
      ADD COLUMN step_targets JSON NULL AFTER target,
      ADD CONSTRAINT version_tasks_target CHECK (target IS NULL OR target > 0)`,
    // Minutes are told in halves.
    'ALTER TABLE reports MODIFY amount DECIMAL(5,1) UNSIGNED NULL',
  ],
  down: [
    'ALTER TABLE reports MODIFY amount SMALLINT UNSIGNED NULL',
    'UPDATE version_tasks SET target = 1 WHERE target IS NULL',
    `ALTER TABLE version_tasks
      DROP CONSTRAINT version_tasks_target,
      DROP COLUMN step_targets,
      MODIFY target DOUBLE NOT NULL,
      ADD CONSTRAINT version_tasks_target CHECK (target > 0)`,
  ],
};
