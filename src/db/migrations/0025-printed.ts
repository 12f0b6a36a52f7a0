import type { Migration } from './migration';

export const printed: Migration = {
  name: '0025-printed',
  // Whose bag still has the paper of before: a version is printed when its file was made last.
  up: ['ALTER TABLE program_versions ADD COLUMN printed_at DATETIME(3) NULL'],
  down: ['ALTER TABLE program_versions DROP COLUMN printed_at'],
};
