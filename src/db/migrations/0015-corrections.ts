import type { Migration } from './migration';

export const corrections: Migration = {
  name: '0015-corrections',
  up: [
    // A colleague may put a report right, too: who did, and why. Null where the family did it.
    `ALTER TABLE report_corrections ADD COLUMN corrected_by BIGINT UNSIGNED NULL, ADD COLUMN why VARCHAR(300) NOT NULL DEFAULT '',
       ADD CONSTRAINT report_corrections_person FOREIGN KEY (corrected_by) REFERENCES people (id)`,
  ],
  down: [
    'ALTER TABLE report_corrections DROP FOREIGN KEY report_corrections_person',
    'ALTER TABLE report_corrections DROP COLUMN corrected_by, DROP COLUMN why',
  ],
};
