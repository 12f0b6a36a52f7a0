import type { Migration } from './migration';

export const listsAndViews: Migration = {
  name: '0024-lists-and-views',
  up: [
    // Lists of reports have headings of their own, which mean something else than those of children.
    `ALTER TABLE roster_columns ADD COLUMN list ENUM('children','reports') CHARACTER SET ascii NOT NULL DEFAULT 'children' AFTER person_id,
       DROP PRIMARY KEY, ADD PRIMARY KEY (person_id, list, heading)`,
    'RENAME TABLE roster_columns TO list_columns',
    // How somebody looks at the yard, by a name of their own.
    `CREATE TABLE yard_views (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      name VARCHAR(40) NOT NULL,
      address VARCHAR(400) NOT NULL,
      UNIQUE KEY yard_views_name (person_id, name),
      CONSTRAINT yard_views_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
  ],
  down: [
    'DROP TABLE yard_views',
    'RENAME TABLE list_columns TO roster_columns',
    "DELETE FROM roster_columns WHERE list = 'reports'",
    'ALTER TABLE roster_columns DROP PRIMARY KEY, ADD PRIMARY KEY (person_id, heading), DROP COLUMN list',
  ],
};
