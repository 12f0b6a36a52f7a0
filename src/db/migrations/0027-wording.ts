import type { Migration } from './migration';

export const wording: Migration = {
  name: '0027-wording',
  up: [
    // Goals of levels in own words are measured by the level.
    'ALTER TABLE measurements ADD COLUMN level TINYINT UNSIGNED NULL AFTER help',
    // The built sentences that stood there when somebody wrote their own: none for words that go after all of them.
    `ALTER TABLE goal_words MODIFY words VARCHAR(4000) NOT NULL, ADD COLUMN built JSON NULL AFTER words`,
    `ALTER TABLE closed_goals MODIFY words VARCHAR(4000) NOT NULL, ADD COLUMN built JSON NULL AFTER words`,
    // How somebody words the usual things, by a name of their own; no child is named in it.
    `CREATE TABLE wording_patterns (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      name VARCHAR(60) NOT NULL,
      words VARCHAR(2000) NOT NULL,
      UNIQUE KEY wording_patterns_name (person_id, name),
      CONSTRAINT wording_patterns_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
  ],
  down: [
    'DROP TABLE wording_patterns',
    'ALTER TABLE closed_goals DROP COLUMN built',
    'ALTER TABLE goal_words DROP COLUMN built',
    'ALTER TABLE measurements DROP COLUMN level',
  ],
};
