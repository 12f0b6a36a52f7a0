import type { Migration } from './migration';

export const watched: Migration = {
  name: '0017-watched',
  up: [
    // What the family saw of the things that the task says to look for.
    'ALTER TABLE reports ADD COLUMN watched JSON NULL',
  ],
  down: ['ALTER TABLE reports DROP COLUMN watched'],
};
