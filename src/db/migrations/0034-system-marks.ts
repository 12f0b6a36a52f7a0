import type { Migration } from './migration';

export const systemMarks: Migration = {
  name: '0034-system-marks',
  up: [
    // When the background worker was last at work, and when the last backup was whole: what health, metrics and the strip on every screen read.
    `CREATE TABLE system_marks (
      name VARCHAR(20) CHARACTER SET ascii NOT NULL PRIMARY KEY,
      marked_at DATETIME(3) NULL
    )`,
    "INSERT INTO system_marks (name) VALUES ('worker'), ('backup')",
  ],
  down: ['DROP TABLE system_marks'],
};
