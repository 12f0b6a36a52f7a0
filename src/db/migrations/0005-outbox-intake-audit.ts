import type { Migration } from './migration';

export const outboxIntakeAudit: Migration = {
  name: '0005-outbox-intake-audit',
  up: [
    // What has to happen after a commit: written with its cause, done by the runner.
    `CREATE TABLE jobs (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      kind VARCHAR(20) CHARACTER SET ascii NOT NULL,
      job_key VARCHAR(80) CHARACTER SET ascii NOT NULL,
      payload JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      run_after DATETIME(3) NOT NULL,
      lease_until DATETIME(3) NULL,
      lease_by VARCHAR(60) CHARACTER SET ascii NULL,
      attempts SMALLINT UNSIGNED NOT NULL DEFAULT 0,
      last_error VARCHAR(200) NOT NULL DEFAULT '',
      done_at DATETIME(3) NULL,
      given_up_at DATETIME(3) NULL,
      is_open BOOLEAN AS (IF(done_at IS NULL AND given_up_at IS NULL, 1, NULL)) PERSISTENT,
      UNIQUE KEY jobs_key (job_key),
      KEY jobs_due (is_open, kind, run_after)
    )`,
    "ALTER TABLE messages MODIFY status ENUM('waiting','handedOver','withdrawn','givenUp') NOT NULL",
    // What lay waiting before there was a runner is its work now.
    `INSERT INTO jobs (kind, job_key, payload, created_at, run_after)
      SELECT 'deliver', CONCAT('deliver:', id), JSON_OBJECT('messageId', id), created_at, created_at FROM messages WHERE status = 'waiting'`,
    // A link's token is made from its salt and a secret that the database does not know, so that a text that is sent again says the same.
    'ALTER TABLE family_links ADD COLUMN token_salt CHAR(32) CHARACTER SET ascii NULL',

    // No amount told is not 0.
    `ALTER TABLE reports
      MODIFY left_count SMALLINT UNSIGNED NULL,
      MODIFY right_count SMALLINT UNSIGNED NULL,
      MODIFY amount SMALLINT UNSIGNED NULL,
      MODIFY way ENUM('link','text','paper','call','teacher','measured') NOT NULL,
      ADD COLUMN entered_by BIGINT UNSIGNED NULL,
      ADD COLUMN intake CHAR(36) CHARACTER SET ascii NULL,
      ADD COLUMN read_decision_id BIGINT UNSIGNED NULL,
      ADD CONSTRAINT reports_enterer FOREIGN KEY (entered_by) REFERENCES people (id)`,
    'UPDATE reports SET left_count = NULL, right_count = NULL, amount = NULL WHERE done = 0 OR (left_count = 0 AND right_count = 0 AND amount = 0)',
    'UPDATE reports SET left_count = NULL, right_count = NULL WHERE left_count = 0 AND right_count = 0',
    'UPDATE reports SET amount = NULL WHERE amount = 0 AND left_count IS NOT NULL',
    `UPDATE reports r JOIN decisions d ON d.child_id = r.child_id AND d.decided_at = r.read_at AND d.decided_by = r.read_by
       AND d.kind IN ('safetyWord','question') AND SUBSTRING_INDEX(d.decision_key, ':', -1) = r.id
      SET r.read_decision_id = d.id`,
    // Texts that came in and need a person: nothing of them is guessed.
    `CREATE TABLE incoming_texts (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      service_key VARCHAR(120) CHARACTER SET ascii NOT NULL,
      child_id BIGINT UNSIGNED NULL,
      from_address VARCHAR(120) NOT NULL,
      text TEXT NOT NULL,
      received_at DATETIME(3) NOT NULL,
      issues JSON NOT NULL,
      settled_by BIGINT UNSIGNED NULL,
      settled_at DATETIME(3) NULL,
      UNIQUE KEY incoming_texts_service (service_key),
      KEY incoming_texts_child (child_id, settled_at),
      CONSTRAINT incoming_texts_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT incoming_texts_settler FOREIGN KEY (settled_by) REFERENCES people (id)
    )`,
    `ALTER TABLE reports ADD COLUMN incoming_id BIGINT UNSIGNED NULL,
      ADD CONSTRAINT reports_incoming FOREIGN KEY (incoming_id) REFERENCES incoming_texts (id) ON DELETE SET NULL`,

    // Why a step changed is a code; a person's own words stand apart from it.
    `ALTER TABLE grade_changes
      ADD COLUMN cause ENUM('placed','setInBuilder','suggestion','decided','takenBack') NULL AFTER why,
      ADD COLUMN reason VARCHAR(400) NOT NULL DEFAULT '' AFTER cause`,
    `UPDATE grade_changes SET cause = CASE
       WHEN why = 'Placed in the program' THEN 'placed' WHEN why = 'Set in the program builder' THEN 'setInBuilder'
       WHEN why = 'Taken back' THEN 'takenBack' WHEN why LIKE 'Streak rule: %' THEN 'suggestion' ELSE 'decided' END`,
    "UPDATE grade_changes SET reason = why WHERE cause = 'decided'",
    "ALTER TABLE grade_changes DROP COLUMN why, MODIFY cause ENUM('placed','setInBuilder','suggestion','decided','takenBack') NOT NULL",
    "UPDATE decisions SET reason = '' WHERE answer = 'wrote' AND reason = 'Wrote to the family'",

    // A task's content is known by its hash, whatever id a restore gives it.
    'ALTER TABLE task_versions ADD COLUMN content_hash CHAR(64) CHARACTER SET ascii AS (SHA2(content, 256)) PERSISTENT',

    // One row a look: the children that were looked at together are a group, written once.
    `CREATE TABLE audit_groups (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      children_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      UNIQUE KEY audit_groups_hash (children_hash)
    )`,
    // No foreign key on the child: the trail outlives a deleted child as a bare number.
    `CREATE TABLE audit_group_children (
      group_id BIGINT UNSIGNED NOT NULL,
      child_id BIGINT UNSIGNED NOT NULL,
      PRIMARY KEY (child_id, group_id),
      CONSTRAINT audit_group_children_group FOREIGN KEY (group_id) REFERENCES audit_groups (id) ON DELETE CASCADE
    )`,
    'INSERT INTO audit_groups (children_hash) SELECT DISTINCT SHA2(CONCAT(child_id), 256) FROM audit',
    `INSERT INTO audit_group_children (group_id, child_id)
      SELECT DISTINCT g.id, a.child_id FROM audit a JOIN audit_groups g ON g.children_hash = CONVERT(SHA2(CONCAT(a.child_id), 256) USING ascii)`,
    'ALTER TABLE audit ADD COLUMN group_id BIGINT UNSIGNED NULL, ADD COLUMN numbers JSON NULL',
    'UPDATE audit a JOIN audit_groups g ON g.children_hash = CONVERT(SHA2(CONCAT(a.child_id), 256) USING ascii) SET a.group_id = g.id',
    `UPDATE audit SET numbers = CASE
       WHEN action = 'program.sent' THEN JSON_OBJECT('version', CAST(SUBSTRING(detail, 9) AS UNSIGNED))
       WHEN action = 'child.deleted' THEN JSON_OBJECT(
         'reports', CAST(REGEXP_REPLACE(detail, '^([0-9]+) reports.*$', '\\\\1') AS UNSIGNED),
         'versions', CAST(REGEXP_REPLACE(detail, '^.*, ([0-9]+) versions.*$', '\\\\1') AS UNSIGNED),
         'messages', CAST(REGEXP_REPLACE(detail, '^.*, ([0-9]+) messages$', '\\\\1') AS UNSIGNED))
       WHEN action LIKE 'decision.%' THEN JSON_OBJECT('kind', detail)
       ELSE JSON_OBJECT() END`,
    `ALTER TABLE audit DROP KEY audit_child, DROP COLUMN child_id, DROP COLUMN detail, MODIFY group_id BIGINT UNSIGNED NOT NULL,
      MODIFY numbers JSON NOT NULL, ADD KEY audit_group (group_id, id), ADD KEY audit_at (at)`,
    'ALTER TABLE workplace ADD COLUMN audit_days SMALLINT UNSIGNED NOT NULL DEFAULT 1095',
  ],
  down: [
    'ALTER TABLE workplace DROP COLUMN audit_days',
    "ALTER TABLE audit ADD COLUMN child_id BIGINT UNSIGNED NULL, ADD COLUMN detail VARCHAR(200) NOT NULL DEFAULT ''",
    `INSERT INTO audit (at, person_id, link_id, group_id, action, numbers, child_id)
      SELECT a.at, a.person_id, a.link_id, a.group_id, a.action, a.numbers, c.child_id FROM audit a JOIN audit_group_children c ON c.group_id = a.group_id`,
    'DELETE FROM audit WHERE child_id IS NULL',
    `ALTER TABLE audit DROP KEY audit_group, DROP KEY audit_at, DROP COLUMN group_id, DROP COLUMN numbers,
      MODIFY child_id BIGINT UNSIGNED NOT NULL, ADD KEY audit_child (child_id, id)`,
    'DROP TABLE audit_group_children',
    'DROP TABLE audit_groups',
    'ALTER TABLE task_versions DROP COLUMN content_hash',
    "ALTER TABLE grade_changes ADD COLUMN why VARCHAR(400) NOT NULL DEFAULT '' AFTER to_step",
    `UPDATE grade_changes SET why = CASE cause WHEN 'placed' THEN 'Placed in the program' WHEN 'setInBuilder' THEN 'Set in the program builder'
       WHEN 'takenBack' THEN 'Taken back' WHEN 'suggestion' THEN 'Streak rule: followed' ELSE reason END`,
    'ALTER TABLE grade_changes DROP COLUMN cause, DROP COLUMN reason',
    'ALTER TABLE reports DROP FOREIGN KEY reports_incoming, DROP COLUMN incoming_id',
    'DROP TABLE incoming_texts',
    `UPDATE reports SET left_count = COALESCE(left_count, 0), right_count = COALESCE(right_count, 0), amount = COALESCE(amount, 0),
       way = IF(way IN ('teacher','measured'), 'call', way)`,
    `ALTER TABLE reports DROP FOREIGN KEY reports_enterer, DROP COLUMN entered_by, DROP COLUMN intake, DROP COLUMN read_decision_id,
      MODIFY left_count SMALLINT UNSIGNED NOT NULL, MODIFY right_count SMALLINT UNSIGNED NOT NULL, MODIFY amount SMALLINT UNSIGNED NOT NULL,
      MODIFY way ENUM('link','text','paper','call') NOT NULL`,
    'ALTER TABLE family_links DROP COLUMN token_salt',
    "UPDATE messages SET status = 'waiting' WHERE status = 'givenUp'",
    "ALTER TABLE messages MODIFY status ENUM('waiting','handedOver','withdrawn') NOT NULL",
    'DROP TABLE jobs',
  ],
};
