import type { Migration } from './migration';

export const reportsTrail: Migration = {
  name: '0006-reports-trail',
  up: [
    // A report by a link is itself the note for the trail, till the runner has appended it: one statement less at the busiest door.
    'ALTER TABLE reports ADD COLUMN trail_due BOOLEAN NULL, ADD KEY reports_trail_due (trail_due)',
  ],
  down: ['ALTER TABLE reports DROP KEY reports_trail_due, DROP COLUMN trail_due'],
};
