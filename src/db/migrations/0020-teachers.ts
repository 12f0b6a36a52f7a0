import type { Migration } from './migration';

export const teachers: Migration = {
  name: '0020-teachers',
  up: [
    // A teacher's own link: it passes a question on and prints, and opens nothing else.
    `CREATE TABLE teacher_links (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      token_salt CHAR(32) CHARACTER SET ascii NOT NULL,
      created_by BIGINT UNSIGNED NOT NULL,
      created_at DATETIME(3) NOT NULL,
      expires_at DATETIME(3) NOT NULL,
      revoked_at DATETIME(3) NULL,
      UNIQUE KEY teacher_links_token (token_hash),
      KEY teacher_links_child (child_id, revoked_at),
      CONSTRAINT teacher_links_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT teacher_links_person FOREIGN KEY (created_by) REFERENCES people (id)
    )`,
  ],
  down: ['DROP TABLE teacher_links'],
};
