import type { Migration } from './migration';

export const readDays: Migration = {
  name: '0018-read-days',
  up: [
    // The weekdays on which somebody reads what families send: told on the families' pages. Null where none were told.
    'ALTER TABLE people ADD COLUMN read_days JSON NULL',
  ],
  down: ['ALTER TABLE people DROP COLUMN read_days'],
};
