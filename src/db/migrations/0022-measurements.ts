import type { Migration } from './migration';

export const measurements: Migration = {
  name: '0022-measurements',
  up: [
    // What a therapist saw or measured herself, at school: never among what families said.
    `CREATE TABLE measurements (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      entry_key CHAR(36) CHARACTER SET ascii NOT NULL,
      goal_id BIGINT UNSIGNED NULL,
      task_id BIGINT UNSIGNED NULL,
      step TINYINT UNSIGNED NULL,
      measured_on DATE NOT NULL,
      good SMALLINT UNSIGNED NULL,
      trials SMALLINT UNSIGNED NULL,
      help VARCHAR(20) CHARACTER SET ascii NULL,
      minutes DECIMAL(5,1) NULL,
      watched JSON NULL,
      note VARCHAR(1000) NOT NULL DEFAULT '',
      measured_by BIGINT UNSIGNED NOT NULL,
      created_at DATETIME(3) NOT NULL,
      taken_back_at DATETIME(3) NULL,
      UNIQUE KEY measurements_key (entry_key),
      KEY measurements_child (child_id, measured_on),
      CONSTRAINT measurements_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT measurements_person FOREIGN KEY (measured_by) REFERENCES people (id)
    )`,
  ],
  down: ['DROP TABLE measurements'],
};
