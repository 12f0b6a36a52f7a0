import type { Migration } from './migration';

export const clips: Migration = {
  name: '0029-clips',
  up: [
    // One row a file in the store of media, by its content. Whoever takes a file away locks its row first.
    `CREATE TABLE media (
      hash CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
      bytes INT UNSIGNED NOT NULL,
      touched_at DATETIME(3) NOT NULL
    )`,
    // What was filmed: by a therapist, to be shown (of a child alone, or for any), or sent back by a family.
    `CREATE TABLE clips (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      origin ENUM('shown','sentBack') NOT NULL,
      kind ENUM('clip','pictures') NOT NULL,
      child_id BIGINT UNSIGNED NULL,
      task_id BIGINT UNSIGNED NOT NULL,
      step TINYINT UNSIGNED NOT NULL,
      made_by BIGINT UNSIGNED NULL,
      link_id BIGINT UNSIGNED NULL,
      said_by VARCHAR(40) NOT NULL DEFAULT '',
      made_at DATETIME(3) NOT NULL,
      expires_on DATE NOT NULL,
      hand ENUM('right','left','both') NOT NULL DEFAULT 'both',
      may_mirror BOOLEAN NOT NULL DEFAULT FALSE,
      consent ENUM('nobody','agreed') NOT NULL,
      consent_words VARCHAR(200) NOT NULL DEFAULT '',
      captions JSON NOT NULL,
      from_seconds DOUBLE NOT NULL DEFAULT 0,
      seconds DOUBLE NULL,
      has_sound BOOLEAN NOT NULL DEFAULT FALSE,
      form ENUM('waiting','made','without','failed') NOT NULL,
      idempotency_key CHAR(36) CHARACTER SET ascii NOT NULL,
      seen_by BIGINT UNSIGNED NULL,
      seen_at DATETIME(3) NULL,
      UNIQUE KEY clips_key (idempotency_key),
      KEY clips_child (child_id, origin, seen_at),
      KEY clips_expiry (expires_on),
      CONSTRAINT clips_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT clips_task FOREIGN KEY (task_id) REFERENCES tasks (id),
      CONSTRAINT clips_by FOREIGN KEY (made_by) REFERENCES people (id),
      CONSTRAINT clips_seen FOREIGN KEY (seen_by) REFERENCES people (id),
      CONSTRAINT clips_link FOREIGN KEY (link_id) REFERENCES family_links (id) ON DELETE CASCADE
    )`,
    `CREATE TABLE clip_files (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      clip_id BIGINT UNSIGNED NOT NULL,
      part VARCHAR(10) CHARACTER SET ascii NOT NULL,
      hash CHAR(64) CHARACTER SET ascii NOT NULL,
      bytes INT UNSIGNED NOT NULL,
      type VARCHAR(20) CHARACTER SET ascii NOT NULL,
      at_seconds DOUBLE NULL,
      UNIQUE KEY clip_files_part (clip_id, part),
      CONSTRAINT clip_files_clip FOREIGN KEY (clip_id) REFERENCES clips (id) ON DELETE CASCADE,
      CONSTRAINT clip_files_media FOREIGN KEY (hash) REFERENCES media (hash)
    )`,
    // What families send back is kept for so many days. Our own choice, to be changed in Settings.
    'ALTER TABLE workplace ADD COLUMN clip_days SMALLINT UNSIGNED NOT NULL DEFAULT 30',
  ],
  down: ['ALTER TABLE workplace DROP COLUMN clip_days', 'DROP TABLE clip_files', 'DROP TABLE clips', 'DROP TABLE media'],
};
