import type { Migration } from './migration';

export const rest: Migration = {
  name: '0010-rest',
  up: [
    // A person ended the practice, or lets it rest till a day: a version like any other, with what decided it.
    `ALTER TABLE program_versions
      MODIFY reason ENUM('sent','regrade','undo','paused','ended') NOT NULL,
      ADD COLUMN resumes_on DATE NULL,
      ADD COLUMN is_ended BOOLEAN NOT NULL DEFAULT 0,
      ADD COLUMN decision_id BIGINT UNSIGNED NULL,
      ADD CONSTRAINT program_versions_decision FOREIGN KEY (decision_id) REFERENCES decisions (id) ON DELETE SET NULL`,
    "ALTER TABLE decisions MODIFY deed ENUM('sentAgain','newLink','onPaper','called','askedTeacher','paused','ended','leftIt') NULL",
    "ALTER TABLE messages MODIFY kind ENUM('program','newStep','note','takenBack','several','paused','ended') NOT NULL",
    "ALTER TABLE message_parts MODIFY text_kind ENUM('program','newStep','word','takenBack','paused','ended') NOT NULL",
  ],
  down: [
    "DELETE FROM message_parts WHERE text_kind IN ('paused','ended')",
    "ALTER TABLE message_parts MODIFY text_kind ENUM('program','newStep','word','takenBack') NOT NULL",
    "UPDATE messages SET kind = 'several' WHERE kind IN ('paused','ended')",
    "ALTER TABLE messages MODIFY kind ENUM('program','newStep','note','takenBack','several') NOT NULL",
    "UPDATE decisions SET deed = 'leftIt' WHERE deed IN ('paused','ended')",
    "ALTER TABLE decisions MODIFY deed ENUM('sentAgain','newLink','onPaper','called','askedTeacher','leftIt') NULL",
    "UPDATE program_versions SET reason = 'regrade' WHERE reason IN ('paused','ended')",
    'ALTER TABLE program_versions DROP FOREIGN KEY program_versions_decision',
    `ALTER TABLE program_versions DROP COLUMN decision_id, DROP COLUMN is_ended, DROP COLUMN resumes_on, MODIFY reason ENUM('sent','regrade','undo') NOT NULL`,
  ],
};
