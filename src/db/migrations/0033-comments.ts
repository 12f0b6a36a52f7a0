import type { Migration } from './migration';

export const comments: Migration = {
  name: '0033-comments',
  up: [
    // A comment waits for a reader as a question does. What came before this counts as read on its day.
    "UPDATE reports SET read_at = said_at WHERE read_at IS NULL AND danger IS NULL AND is_question = 0 AND mistake = 0 AND words <> ''",
    // A press by mistake keeps its task on hold until the lead opens it; those of before were open already.
    `INSERT INTO stop_lifts (child_id, task_id, kind, lifted_by, lifted_at)
       SELECT r.child_id, r.task_id, 'before', MIN(a.person_id), MAX(r.said_at) FROM reports r JOIN child_access a ON a.child_id = r.child_id AND a.access = 'lead'
       WHERE r.mistake = 1 AND r.lift_id IS NULL GROUP BY r.child_id, r.task_id`,
    `UPDATE reports r JOIN stop_lifts l ON l.child_id = r.child_id AND l.task_id = r.task_id AND l.kind = 'before'
       SET r.lift_id = l.id WHERE r.mistake = 1 AND r.lift_id IS NULL`,
    `ALTER TABLE reports DROP KEY reports_awaiting, DROP KEY reports_holds,
       MODIFY COLUMN awaits_reader BOOLEAN AS (IF(read_at IS NULL AND (danger IS NOT NULL OR is_question OR words <> ''), 1, NULL)) PERSISTENT,
       MODIFY COLUMN holds BOOLEAN AS (IF(danger IS NOT NULL AND lift_id IS NULL, 1, NULL)) PERSISTENT,
       ADD KEY reports_awaiting (awaits_reader, child_id), ADD KEY reports_holds (holds, child_id)`,
    // One email without details to the lead when something hurt.
    'ALTER TABLE workplace ADD COLUMN injury_email BOOLEAN NOT NULL DEFAULT 1',
  ],
  down: [
    'ALTER TABLE workplace DROP COLUMN injury_email',
    `ALTER TABLE reports DROP KEY reports_awaiting, DROP KEY reports_holds,
       MODIFY COLUMN holds BOOLEAN AS (IF(danger IS NOT NULL AND mistake = 0 AND lift_id IS NULL, 1, NULL)) PERSISTENT,
       ADD KEY reports_holds (holds, child_id),
       MODIFY COLUMN awaits_reader BOOLEAN AS (IF(read_at IS NULL AND (danger IS NOT NULL OR is_question), 1, NULL)) PERSISTENT,
       ADD KEY reports_awaiting (awaits_reader, child_id)`,
  ],
};
