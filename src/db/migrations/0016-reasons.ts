import type { Migration } from './migration';

export const reasons: Migration = {
  name: '0016-reasons',
  up: [
    // Why it was not done, as families say it.
    "ALTER TABLE reports MODIFY stop_reason ENUM('tired','upset','refused','pain','time','other','ill','missing','tooHard') NULL",
  ],
  down: [
    "UPDATE reports SET stop_reason = 'other' WHERE stop_reason IN ('ill','missing','tooHard')",
    "ALTER TABLE reports MODIFY stop_reason ENUM('tired','upset','refused','pain','time','other') NULL",
  ],
};
