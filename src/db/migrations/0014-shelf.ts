import type { Migration } from './migration';

export const shelf: Migration = {
  name: '0014-shelf',
  up: [
    // For whom a task stands in the library. What was sent keeps its own copy, whatever stands here.
    "ALTER TABLE tasks ADD COLUMN shelf ENUM('everybody', 'owner', 'nobody') NOT NULL DEFAULT 'everybody'",
  ],
  down: ['ALTER TABLE tasks DROP COLUMN shelf'],
};
