import type { Migration } from './migration';

export const evidenceIndex: Migration = {
  name: '0032-evidence-index',
  up: [
    // All that a rule looks at of a session, so that a screen of a whole caseload reads no row of its tens of thousands of reports.
    `ALTER TABLE reports ADD KEY reports_evidence (child_id, task_id, step, done_on, mistake, done, left_count, right_count, amount, minutes, help, effort,
       stop_reason, safety_word, version_task_id)`,
  ],
  down: ['ALTER TABLE reports DROP KEY reports_evidence'],
};
