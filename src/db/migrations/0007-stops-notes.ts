import type { Migration } from './migration';

export const stopsNotes: Migration = {
  name: '0007-stops-notes',
  up: [
    // A task that is closed since something hurt, till a person lifts the stop (or the family says at once that it was a slip).
    `CREATE TABLE stop_lifts (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      task_id BIGINT UNSIGNED NOT NULL,
      kind ENUM('lifted','takenOut','before') NOT NULL,
      found VARCHAR(600) NOT NULL DEFAULT '',
      spoke_to VARCHAR(200) NOT NULL DEFAULT '',
      from_day DATE NULL,
      at_step TINYINT UNSIGNED NULL,
      decision_id BIGINT UNSIGNED NULL,
      lifted_by BIGINT UNSIGNED NOT NULL,
      lifted_at DATETIME(3) NOT NULL,
      KEY stop_lifts_child (child_id, task_id),
      CONSTRAINT stop_lifts_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT stop_lifts_decision FOREIGN KEY (decision_id) REFERENCES decisions (id) ON DELETE SET NULL,
      CONSTRAINT stop_lifts_person FOREIGN KEY (lifted_by) REFERENCES people (id)
    )`,
    `ALTER TABLE reports
      ADD COLUMN danger ENUM('told','words','pressed') NULL,
      ADD COLUMN mistake BOOLEAN NOT NULL DEFAULT 0,
      ADD COLUMN lift_id BIGINT UNSIGNED NULL`,
    "UPDATE reports SET danger = 'told' WHERE safety_word = 1",
    // Under the rule before, reading lifted the stop.
    `INSERT INTO stop_lifts (child_id, task_id, kind, lifted_by, lifted_at)
      SELECT child_id, task_id, 'before', MIN(read_by), MAX(read_at) FROM reports WHERE danger IS NOT NULL AND read_at IS NOT NULL GROUP BY child_id, task_id`,
    `UPDATE reports r JOIN stop_lifts l ON l.child_id = r.child_id AND l.task_id = r.task_id
      SET r.lift_id = l.id WHERE r.danger IS NOT NULL AND r.read_at IS NOT NULL`,
    `ALTER TABLE reports
      ADD COLUMN holds BOOLEAN AS (IF(danger IS NOT NULL AND mistake = 0 AND lift_id IS NULL, 1, NULL)) PERSISTENT,
      DROP KEY reports_awaiting,
      MODIFY COLUMN awaits_reader BOOLEAN AS (IF(read_at IS NULL AND (danger IS NOT NULL OR is_question), 1, NULL)) PERSISTENT,
      ADD KEY reports_awaiting (awaits_reader, child_id),
      ADD KEY reports_holds (holds, child_id)`,
    // Who read of it, and when; the first reader stands on the report as well.
    `CREATE TABLE report_readers (
      report_id BIGINT UNSIGNED NOT NULL,
      person_id BIGINT UNSIGNED NOT NULL,
      read_at DATETIME(3) NOT NULL,
      PRIMARY KEY (report_id, person_id),
      CONSTRAINT report_readers_report FOREIGN KEY (report_id) REFERENCES reports (id) ON DELETE CASCADE,
      CONSTRAINT report_readers_person FOREIGN KEY (person_id) REFERENCES people (id)
    )`,
    // What the therapist says to a family stands on its page; a text only says that there is a word.
    `CREATE TABLE family_notes (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      task_id BIGINT UNSIGNED NULL,
      words VARCHAR(1000) NOT NULL,
      decision_id BIGINT UNSIGNED NULL,
      written_by BIGINT UNSIGNED NOT NULL,
      written_at DATETIME(3) NOT NULL,
      KEY family_notes_child (child_id, id),
      CONSTRAINT family_notes_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT family_notes_decision FOREIGN KEY (decision_id) REFERENCES decisions (id) ON DELETE CASCADE,
      CONSTRAINT family_notes_person FOREIGN KEY (written_by) REFERENCES people (id)
    )`,
    `ALTER TABLE decisions
      DROP KEY decisions_settled, DROP COLUMN settled_key, DROP CONSTRAINT decisions_later,
      MODIFY answer ENUM('up','down','hold','read','wrote','later','seen','lifted','keptClosed','takenOut') NOT NULL,
      ADD COLUMN settled_key VARCHAR(140) AS (IF(undone_at IS NULL AND later_until IS NULL, decision_key, NULL)) PERSISTENT,
      ADD UNIQUE KEY decisions_settled (settled_key),
      ADD CONSTRAINT decisions_later CHECK (answer <> 'later' OR later_until IS NOT NULL)`,
  ],
  down: [
    "DELETE FROM decisions WHERE answer IN ('seen','lifted','keptClosed','takenOut') OR (answer <> 'later' AND later_until IS NOT NULL)",
    `ALTER TABLE decisions
      DROP KEY decisions_settled, DROP COLUMN settled_key, DROP CONSTRAINT decisions_later,
      MODIFY answer ENUM('up','down','hold','read','wrote','later') NOT NULL,
      ADD COLUMN settled_key VARCHAR(120) AS (IF(undone_at IS NULL AND answer <> 'later', decision_key, NULL)) PERSISTENT,
      ADD UNIQUE KEY decisions_settled (settled_key),
      ADD CONSTRAINT decisions_later CHECK ((answer = 'later') = (later_until IS NOT NULL))`,
    'DROP TABLE family_notes',
    'DROP TABLE report_readers',
    `ALTER TABLE reports
      DROP KEY reports_holds, DROP COLUMN holds, DROP KEY reports_awaiting,
      MODIFY COLUMN awaits_reader BOOLEAN AS (IF(read_at IS NULL AND (safety_word OR is_question), 1, NULL)) PERSISTENT,
      ADD KEY reports_awaiting (awaits_reader, child_id)`,
    'ALTER TABLE reports DROP COLUMN danger, DROP COLUMN mistake, DROP COLUMN lift_id',
    'DROP TABLE stop_lifts',
  ],
};
