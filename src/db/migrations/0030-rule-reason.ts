import type { Migration } from './migration';

export const ruleReason: Migration = {
  name: '0030-rule-reason',
  up: [
    // Why a rule was taken for a caseload, in the person's own words; empty where none were written.
    "ALTER TABLE people ADD COLUMN advancing_reason VARCHAR(300) NOT NULL DEFAULT ''",
  ],
  down: ['ALTER TABLE people DROP COLUMN advancing_reason'],
};
