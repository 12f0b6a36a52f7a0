import type { Migration } from './migration';

export const postHeld: Migration = {
  name: '0009-post-held',
  up: [
    // One message a child: what is decided within some minutes goes out together, and can be taken back till then.
    'ALTER TABLE workplace ADD COLUMN post_minutes TINYINT UNSIGNED NOT NULL DEFAULT 10, ADD CONSTRAINT workplace_post CHECK (post_minutes <= 60)',
    `ALTER TABLE messages
      MODIFY kind ENUM('program','newStep','note','takenBack','several') NOT NULL,
      ADD COLUMN send_at DATETIME(3) NULL,
      ADD COLUMN new_link BOOLEAN NOT NULL DEFAULT 0`,
    `CREATE TABLE message_parts (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      message_id BIGINT UNSIGNED NOT NULL,
      text_kind ENUM('program','newStep','word','takenBack') NOT NULL,
      decision_id BIGINT UNSIGNED NULL,
      created_at DATETIME(3) NOT NULL,
      KEY message_parts_decision (decision_id),
      CONSTRAINT message_parts_message FOREIGN KEY (message_id) REFERENCES messages (id) ON DELETE CASCADE,
      CONSTRAINT message_parts_decision FOREIGN KEY (decision_id) REFERENCES decisions (id) ON DELETE CASCADE
    )`,
    // What was done about silence.
    "ALTER TABLE decisions ADD COLUMN deed ENUM('sentAgain','newLink','onPaper','called','askedTeacher','leftIt') NULL",
    // A child who would not: evidence of its own kind.
    "ALTER TABLE reports MODIFY stop_reason ENUM('tired','upset','refused','pain','time','other') NULL",
  ],
  down: [
    "UPDATE reports SET stop_reason = 'upset' WHERE stop_reason = 'refused'",
    "ALTER TABLE reports MODIFY stop_reason ENUM('tired','upset','pain','time','other') NULL",
    'ALTER TABLE decisions DROP COLUMN deed',
    'DROP TABLE message_parts',
    "UPDATE messages SET kind = 'newStep' WHERE kind IN ('takenBack','several')",
    `ALTER TABLE messages DROP COLUMN new_link, DROP COLUMN send_at, MODIFY kind ENUM('program','newStep','note') NOT NULL`,
    'ALTER TABLE workplace DROP CONSTRAINT workplace_post, DROP COLUMN post_minutes',
  ],
};
