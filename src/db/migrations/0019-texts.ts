import type { Migration } from './migration';

const KINDS = "'program','newStep','note','takenBack','several','paused','ended','home','goesOn'";

export const texts: Migration = {
  name: '0019-texts',
  up: [
    // A message that nobody wrote: an answer to a text, a reminder. `reach`: the number that it answers, where it is another than the family's first.
    `ALTER TABLE messages MODIFY created_by BIGINT UNSIGNED NULL, ADD COLUMN reach JSON NULL,
       MODIFY kind ENUM(${KINDS},'answer','reminder','direct') NOT NULL`,
    // What became of a text that came in. What was asked back stands with it, until it is answered or a person has looked.
    `ALTER TABLE incoming_texts
       ADD COLUMN said_by VARCHAR(60) NOT NULL DEFAULT '',
       ADD COLUMN outcome ENUM('taken','asked','person','danger','nothing','stopped','started') NOT NULL DEFAULT 'person',
       ADD COLUMN ask JSON NULL, ADD COLUMN ask_settled_at DATETIME(3) NULL,
       ADD KEY incoming_texts_from (from_address, received_at)`,
    // Numbers that asked for no more messages.
    'CREATE TABLE stopped_numbers (number VARCHAR(120) CHARACTER SET ascii NOT NULL PRIMARY KEY, stopped_at DATETIME(3) NOT NULL)',
    // When a family wishes to be reminded; null where it doesn't.
    'ALTER TABLE children ADD COLUMN reminders JSON NULL',
  ],
  down: [
    'ALTER TABLE children DROP COLUMN reminders',
    'DROP TABLE stopped_numbers',
    `ALTER TABLE incoming_texts DROP KEY incoming_texts_from, DROP COLUMN ask_settled_at, DROP COLUMN ask, DROP COLUMN outcome, DROP COLUMN said_by`,
    "DELETE FROM messages WHERE created_by IS NULL OR kind IN ('answer','reminder','direct')",
    `ALTER TABLE messages MODIFY kind ENUM(${KINDS}) NOT NULL, DROP COLUMN reach, MODIFY created_by BIGINT UNSIGNED NOT NULL`,
  ],
};
