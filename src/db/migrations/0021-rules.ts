import type { Migration } from './migration';

export const rules: Migration = {
  name: '0021-rules',
  up: [
    // The advancing rule of a caseload: of the children whom somebody leads, where nothing else is chosen for one. Null: three in a row.
    'ALTER TABLE people ADD COLUMN advancing_rule VARCHAR(12) CHARACTER SET ascii NULL',
  ],
  down: ['ALTER TABLE people DROP COLUMN advancing_rule'],
};
