import type { Migration } from './migration';

export const trust: Migration = {
  name: '0013-trust',
  up: [
    // An address is its own letters: no other letter that looks alike, or none at all, finds it.
    'UPDATE people SET email = LOWER(TRIM(email))',
    'ALTER TABLE people MODIFY email VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL',
    // The second factor: its secret sealed by a key that the database does not know, and the last step of time that was used.
    `ALTER TABLE people
      ADD COLUMN factor_secret VARCHAR(200) CHARACTER SET ascii NULL,
      ADD COLUMN factor_at DATETIME(3) NULL,
      ADD COLUMN factor_step BIGINT UNSIGNED NOT NULL DEFAULT 0`,
    `CREATE TABLE recovery_codes (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      code_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      used_at DATETIME(3) NULL,
      UNIQUE KEY recovery_codes_code (person_id, code_hash),
      CONSTRAINT recovery_codes_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
    // A browser in which somebody signed in before: a stranger's wrong tries do not lock them out there.
    `CREATE TABLE known_devices (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      seen_at DATETIME(3) NOT NULL,
      UNIQUE KEY known_devices_token (token_hash, person_id),
      KEY known_devices_seen (seen_at),
      CONSTRAINT known_devices_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
    `ALTER TABLE sign_ins
      ADD COLUMN seen_at DATETIME(3) NULL,
      ADD COLUMN confirmed_at DATETIME(3) NULL,
      ADD COLUMN needs_factor BOOLEAN NOT NULL DEFAULT 0`,
    'UPDATE sign_ins SET seen_at = created_at, confirmed_at = created_at',
    'ALTER TABLE sign_ins MODIFY seen_at DATETIME(3) NOT NULL, MODIFY confirmed_at DATETIME(3) NOT NULL',
    `ALTER TABLE workplace
      ADD COLUMN idle_minutes SMALLINT UNSIGNED NOT NULL DEFAULT 120,
      ADD COLUMN sign_in_days SMALLINT UNSIGNED NOT NULL DEFAULT 7,
      ADD COLUMN factor_required BOOLEAN NOT NULL DEFAULT 0,
      ADD COLUMN message_days SMALLINT UNSIGNED NOT NULL DEFAULT 1095,
      ADD COLUMN left_child_years SMALLINT UNSIGNED NULL,
      ADD COLUMN is_demo BOOLEAN NOT NULL DEFAULT 0`,
    // A demo of before is known by its people: nobody has an address there.
    "UPDATE workplace SET is_demo = 1 WHERE NOT EXISTS (SELECT 1 FROM people WHERE email NOT LIKE '%@tarrowhill.example') AND EXISTS (SELECT 1 FROM people)",
    'ALTER TABLE family_links ADD COLUMN flooded_on DATE NULL',
    'ALTER TABLE reports ADD KEY reports_link_day (link_id, said_at)',
    // What is about a person or the workplace names no child. Each row of the trail carries the hash of all before it.
    `ALTER TABLE audit MODIFY group_id BIGINT UNSIGNED NULL, ADD COLUMN chain_hash CHAR(64) CHARACTER SET ascii NULL`,
    `CREATE TABLE audit_head (
      id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      chain_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      row_count BIGINT UNSIGNED NOT NULL
    )`,
    `INSERT INTO audit_head (id, chain_hash, row_count) VALUES (1, SHA2('', 256), 0)`,
    // What was taken away because it was older than the trail is kept: where the chain goes on from.
    `CREATE TABLE audit_drops (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      dropped_at DATETIME(3) NOT NULL,
      before_at DATETIME(3) NOT NULL,
      row_count BIGINT UNSIGNED NOT NULL,
      chain_hash CHAR(64) CHARACTER SET ascii NULL
    )`,
  ],
  down: [
    'DROP TABLE audit_drops',
    'DROP TABLE audit_head',
    'DELETE FROM audit WHERE group_id IS NULL',
    'ALTER TABLE audit MODIFY group_id BIGINT UNSIGNED NOT NULL, DROP COLUMN chain_hash',
    'ALTER TABLE reports ADD KEY IF NOT EXISTS reports_link (link_id), DROP KEY reports_link_day',
    'ALTER TABLE family_links DROP COLUMN flooded_on',
    `ALTER TABLE workplace DROP COLUMN idle_minutes, DROP COLUMN sign_in_days, DROP COLUMN factor_required, DROP COLUMN message_days, DROP COLUMN left_child_years, DROP COLUMN is_demo`,
    'ALTER TABLE sign_ins DROP COLUMN seen_at, DROP COLUMN confirmed_at, DROP COLUMN needs_factor',
    'DROP TABLE known_devices',
    'DROP TABLE recovery_codes',
    'ALTER TABLE people DROP COLUMN factor_secret, DROP COLUMN factor_at, DROP COLUMN factor_step',
    'ALTER TABLE people MODIFY email VARCHAR(190) NOT NULL',
  ],
};
