import type { Migration } from './migration';

export const phrases: Migration = {
  name: '0023-phrases',
  up: [
    // What somebody wrote to families before, by language, with what it says in their own words: offered again.
    `CREATE TABLE phrases (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      language VARCHAR(8) CHARACTER SET ascii NOT NULL,
      phrase_key CHAR(64) CHARACTER SET ascii NOT NULL,
      own VARCHAR(600) NOT NULL,
      said VARCHAR(600) NOT NULL,
      used_at DATETIME(3) NOT NULL,
      UNIQUE KEY phrases_key (person_id, language, phrase_key),
      KEY phrases_used (person_id, language, used_at),
      CONSTRAINT phrases_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
  ],
  down: ['DROP TABLE phrases'],
};
